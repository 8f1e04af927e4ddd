/** Whether something is so. */
export const YES_NO: { value: 'yes' | 'no'; label: string }[] = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
];

/** What stands as chosen; none where nobody said. */
export const yesNo = (is: boolean | null | undefined) => (is == null ? null : is ? 'yes' : 'no');
