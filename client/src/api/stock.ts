import { allReservedSchema, type BookStock, stockMovesSchema, type StockTable } from '@lintrel/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { newId } from '@/device/newId';
import { request } from './http';

/** What came into the stock of an entry and left it, the newest first. */
export const useStockMoves = (stuff: StockTable, code: string) =>
  useQuery({
    queryKey: ['stock', stuff, code],
    queryFn: () => request('GET', `/shelf/moves/${stuff}/${encodeURIComponent(code)}`, stockMovesSchema),
  });

/** What jobs in the shop will still take. */
export const useReserved = () =>
  useQuery({ queryKey: ['stock', 'reserved'], queryFn: () => request('GET', '/shelf/reserved', allReservedSchema) });

/** Books what came, or what was counted. */
export function useBookStock() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (move: Pick<BookStock, 'stuff' | 'code' | 'reason' | 'packs'>) =>
      request('POST', '/shelf/moves', stockMovesSchema, {
        ...move,
        id: newId(),
        at: new Date().toISOString(),
        note: '',
      }),
    onSuccess: async () => {
      await Promise.all([
        client.invalidateQueries({ queryKey: ['stock'] }),
        client.invalidateQueries({ queryKey: ['shelf'] }),
      ]);
    },
  });
}
