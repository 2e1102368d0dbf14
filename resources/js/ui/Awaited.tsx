import type { ReactNode } from 'react';
import type { UseQueryResult } from '@tanstack/react-query';
import { ErrorNote } from './ErrorNote';

/** Shows what was asked for once it is there; until then nothing, and if it fails, what happened and how to try again. */
export function Awaited<T>({ query, children }: { query: UseQueryResult<T>; children: (data: T) => ReactNode }) {
  if (query.error) {
    return (
      <div className="p-5">
        <ErrorNote error={query.error} retry={() => void query.refetch()} />
      </div>
    );
  }
  return query.data === undefined ? null : children(query.data);
}
