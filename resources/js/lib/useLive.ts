import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

/** Milliseconds between looks while the push channel is down. */
const POLL = 20_000;
/** Milliseconds in which several hints count as one. */
const TOGETHER = 150;
/** Said between tabs while the channel is up. */
const OPEN = 'open';

/** What the server tells of: a draft is told of to whoever has its sheet open. */
export type Topic =
  'answer' | 'blueprint' | 'offer' | 'team' | 'meeting' | 'draft' | 'dispatch' | 'outbox' | 'person' | 'today' | 'account';

/** By which hints an answer is asked for anew: these topics, of this one thing where it names one. */
export type Live = { topics: Topic[]; id?: string };

type Hint = { topic: string; id: string };

/** Everything may have changed: the line was down, or what was said could not be read. */
const ANYTHING: Hint = { topic: '*', id: '' };

function hintOf(text: string): Hint {
  try {
    const said: unknown = JSON.parse(text);
    if (said !== null && typeof said === 'object' && 'topic' in said && 'id' in said) {
      return { topic: String(said.topic), id: String(said.id) };
    }
  } catch {
    // Said below.
  }
  return ANYTHING;
}

/** Whether a hint concerns an answer. */
export function concerns(live: unknown, hint: Hint): boolean {
  if (live === null || typeof live !== 'object' || !('topics' in live)) {
    return false;
  }
  const { topics, id } = live as Live;
  return hint.topic === '*' || ((topics as string[]).includes(hint.topic) && (id === undefined || hint.id === '' || hint.id === id));
}

/**
 * Keeps what is on the page fresh: the server tells what changed, and the page asks anew for what that concerns. While the
 * channel is down it looks by itself now and then.
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
    let heardOf: Hint[] = [];
    const refresh = (hint: Hint) => {
      heardOf.push(hint);
      clearTimeout(soon);
      soon = setTimeout(() => {
        const hints = heardOf;
        heardOf = [];
        void client.invalidateQueries({ predicate: (query) => hints.some((one) => concerns(query.meta?.['live'], one)) });
      }, TOGETHER);
    };
    const tabs = new BroadcastChannel(`syndex-live-${channel}`);
    let heard = Date.now();
    tabs.onmessage = (event: MessageEvent<string>) => {
      heard = Date.now();
      if (event.data !== OPEN) {
        refresh(hintOf(event.data));
      }
    };
    const stop = listenAlone(channel, (what) => {
      heard = Date.now();
      tabs.postMessage(what);
      if (what !== OPEN) {
        refresh(hintOf(what));
      }
    });
    const poll = setInterval(() => {
      if (Date.now() - heard > POLL && document.visibilityState === 'visible') {
        refresh(ANYTHING);
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

/** Listens once all tabs before this one have gone. That it is open is said every few seconds while the channel is up. */
function listenAlone(channel: string, tell: (what: string) => void): () => void {
  let source: EventSource | null = null;
  let ended = false;
  let end: () => void = () => undefined;
  const open = () => {
    source = new EventSource(`/live/${channel}`);
    // What was said while the line was down is not known: the page asks anew.
    source.onopen = () => tell('');
    source.onmessage = (event: MessageEvent<string>) => tell(event.data);
  };
  const close = () => {
    source?.close();
    source = null;
  };
  const beat = setInterval(() => {
    if (source?.readyState === EventSource.OPEN) {
      tell(OPEN);
    } else if (source?.readyState === EventSource.CLOSED && !ended) {
      // Hung up: perhaps another role, perhaps signed out. The page finds out, and listens again if it may.
      source.close();
      tell('');
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
