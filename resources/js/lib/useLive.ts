import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

/** Milliseconds between looks while the push channel is down. */
const POLL = 20_000;

/**
 * Keeps what is on the page fresh: the server tells that something changed, the page asks anew. While the channel is
 * down it looks by itself now and then.
 */
export function useLive(channel: string | undefined): void {
  const client = useQueryClient();
  useEffect(() => {
    if (!channel || typeof EventSource === 'undefined') {
      return undefined;
    }
    const refresh = () => client.invalidateQueries({ predicate: (query) => query.meta?.['live'] === true });
    const source = new EventSource(`/live/${channel}`);
    let soon: ReturnType<typeof setTimeout> | undefined;
    source.onmessage = () => {
      clearTimeout(soon);
      soon = setTimeout(refresh, 150);
    };
    const poll = setInterval(() => {
      if (source.readyState !== EventSource.OPEN && document.visibilityState === 'visible') {
        void refresh();
      }
    }, POLL);
    return () => {
      clearTimeout(soon);
      clearInterval(poll);
      source.close();
    };
  }, [channel, client]);
}
