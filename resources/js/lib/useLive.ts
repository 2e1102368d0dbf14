import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

/** Milliseconds between looks while the push channel is down. */
const POLL = 20_000;
/** Milliseconds in which several hints count as one. */
const TOGETHER = 150;

/**
 * Keeps what is on the page fresh: the server tells that something changed, the page asks anew. While the channel is
 * down it looks by itself now and then.
 *
 * A browser allows few connections to one address, so of all tabs only one listens, and passes on what it hears; when
 * it goes, the next takes over.
 */
export function useLive(channel: string | undefined): void {
  const client = useQueryClient();
  useEffect(() => {
    if (!channel || typeof EventSource === 'undefined') {
      return undefined;
    }
    let soon: ReturnType<typeof setTimeout> | undefined;
    const refresh = () => {
      clearTimeout(soon);
      soon = setTimeout(() => void client.invalidateQueries({ predicate: (query) => query.meta?.['live'] === true }), TOGETHER);
    };
    const tabs = new BroadcastChannel(`syndex-live-${channel}`);
    let heard = Date.now();
    tabs.onmessage = (event: MessageEvent<string>) => {
      heard = Date.now();
      if (event.data === 'changed') {
        refresh();
      }
    };
    const stop = listenAlone(channel, (what) => {
      heard = Date.now();
      tabs.postMessage(what);
      if (what === 'changed') {
        refresh();
      }
    });
    const poll = setInterval(() => {
      if (Date.now() - heard > POLL && document.visibilityState === 'visible') {
        refresh();
      }
    }, POLL);
    return () => {
      clearTimeout(soon);
      clearInterval(poll);
      stop();
      tabs.close();
    };
  }, [channel, client]);
}

/** Listens once all tabs before this one have gone. "open" is said every few seconds while the channel is up. */
function listenAlone(channel: string, tell: (what: 'open' | 'changed') => void): () => void {
  let source: EventSource | null = null;
  let ended = false;
  let end: () => void = () => undefined;
  const open = () => {
    source = new EventSource(`/live/${channel}`);
    // What was said while the line was down is not known: the page asks anew.
    source.onopen = () => tell('changed');
    source.onmessage = () => tell('changed');
  };
  const close = () => {
    source?.close();
    source = null;
  };
  const beat = setInterval(() => {
    if (source?.readyState === EventSource.OPEN) {
      tell('open');
    } else if (source?.readyState === EventSource.CLOSED && !ended) {
      // Hung up: perhaps another role, perhaps signed out. The page finds out, and listens again if it may.
      source.close();
      tell('changed');
      open();
    }
  }, POLL / 4);
  // A page that is put aside, to be shown again by going back, must not hold the line.
  const aside = () => close();
  const back = (event: PageTransitionEvent) => {
    if (event.persisted && source === null && !ended) {
      open();
    }
  };
  window.addEventListener('pagehide', aside);
  window.addEventListener('pageshow', back);
  if (navigator.locks) {
    void navigator.locks.request(`syndex-live-${channel}`, () =>
      ended
        ? undefined
        : new Promise<void>((done) => {
            end = done;
            open();
          }),
    );
  } else {
    open();
  }
  return () => {
    ended = true;
    clearInterval(beat);
    window.removeEventListener('pagehide', aside);
    window.removeEventListener('pageshow', back);
    close();
    end();
  };
}
