export const COATS: { value: 'single' | 'double'; label: string }[] = [
  { value: 'single', label: 'Single coat' },
  { value: 'double', label: 'Double coat' },
];

export const visitsText = (n: number) => `${n} ${n === 1 ? 'visit' : 'visits'}`;
