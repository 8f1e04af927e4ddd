import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask } from '../../shared/api/client';
import type { Tool } from '../../shared/api/salon';

/** Adds, corrects or retires a tool. */
export function usePutTool() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (tool: Tool) =>
      ask(api.PUT('/api/kit/{id}', { params: { path: { id: tool.id } }, body: tool })),
    onSuccess: (kit) => queries.setQueryData(['kit'], kit),
  });
}
