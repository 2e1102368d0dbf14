import { useEffect, useState, type ReactNode } from 'react';
import { deviceZone, giveFile, readOffer, Refused, removeFile, sendAnswer, type Offer, type Reply } from './offer';
import { OwnFile } from './OwnFile';
import { OwnZone } from './OwnZone';
import { TimeCard } from './TimeCard';

type Chosen = Record<number, Reply>;

/** Said before anything is known of whoever reads it. */
const NOT_THERE = 'This page did not load. Check your connection and try again.';

const failure = (error: unknown, otherwise: string) => (error instanceof Refused && error.message ? error.message : otherwise);

/** The page of one guest to whom times are offered. */
export function OfferPage() {
  const [offer, setOffer] = useState<Offer | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Chosen>({});
  const [comment, setComment] = useState<string | null>(null);
  const [pending, setPending] = useState<'answer' | 'file' | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [fileProblem, setFileProblem] = useState<string | null>(null);
  const [tries, setTries] = useState(0);

  useEffect(() => {
    let isGone = false;
    readOffer(said).then(
      (now) => !isGone && setOffer(now),
      (error: unknown) => {
        if (!isGone) {
          setFailed(failure(error, NOT_THERE));
        }
      },
    );
    return () => {
      isGone = true;
    };
  }, [said, tries]);
  const language = offer?.language ?? 'en';
  const direction = offer?.direction ?? 'ltr';
  const title = offer?.title;
  useEffect(() => {
    document.documentElement.lang = language;
    document.documentElement.dir = direction;
    document.title = title ? `${title}, Syndex` : 'Syndex';
  }, [language, direction, title]);

  if (!offer) {
    return (
      <Frame>
        {failed ? (
          <div className="py-8" role="alert">
            <p className="text-[1.1875rem] leading-6 font-semibold">{failed}</p>
            <button
              type="button"
              className="mt-4 min-h-11 rounded-md border-2 border-ink px-4 font-semibold"
              onClick={() => {
                setFailed(null);
                setTries(tries + 1);
              }}
            >
              Try again
            </button>
          </div>
        ) : (
          <p role="status" className="py-8 text-muted">
            …
          </p>
        )}
      </Frame>
    );
  }

  const say = (key: string) => offer.say[key] ?? '';
  const replyTo = (id: number) => chosen[id] ?? offer.times.find((time) => time.id === id)?.reply ?? null;
  const unsaid = offer.times.filter(({ id }) => replyTo(id) === null).length;
  const isChanged =
    offer.times.some(({ id, reply }) => (chosen[id] ?? reply) !== reply) ||
    (comment !== null && comment !== offer.comment) ||
    said !== null;
  const isDone = offer.answered !== null && !isChanged;
  const work = async (what: 'answer' | 'file', doing: () => Promise<Offer>, say: (text: string | null) => void, otherwise: string) => {
    setPending(what);
    say(null);
    try {
      setOffer(await doing());
      return true;
    } catch (error) {
      if (error instanceof Refused && error.code === 'offer_is_over') {
        // What changed meanwhile is said by the page itself.
        setTries(tries + 1);
      }
      say(failure(error, otherwise));
      return false;
    } finally {
      setPending(null);
    }
  };
  const send = async () => {
    const isOfDevice = offer.isAsked && offer.zone === deviceZone();
    const replies = offer.times.map(({ id }) => ({ time: id, reply: replyTo(id) }));
    const answer = { replies, zone: said ?? (isOfDevice ? offer.zone : null), zoneSaid: said !== null, comment: comment ?? offer.comment };
    if (await work('answer', () => sendAnswer(answer, said), setProblem, say('offer_failed'))) {
      setChosen({});
      setComment(null);
      setSaid(null);
    }
  };

  return (
    <Frame>
      <h1 className="pt-5 text-[1.5625rem] leading-8 font-semibold">
        <bdi>{offer.title}</bdi>
      </h1>
      <p className="pt-1 text-muted">{offer.lead}</p>
      {offer.words && (
        <p className="mt-3 border-s-4 border-ink ps-3 whitespace-pre-line" dir="auto">
          {offer.words}
        </p>
      )}
      {offer.over ? (
        <p role="status" className="mt-5 border-s-4 border-ink bg-paper px-3 py-3 text-[1.1875rem] leading-6 font-semibold">
          {offer.over}
        </p>
      ) : (
        <>
          <p className="pt-3">
            {offer.length} {offer.repeats} <strong>{offer.by}</strong>
          </p>
          <OwnZone offer={offer} choose={setSaid} />
          {offer.times.map((time) => (
            <TimeCard
              key={time.id}
              time={time}
              offer={offer}
              reply={replyTo(time.id)}
              choose={(reply) => setChosen({ ...chosen, [time.id]: reply })}
              disabled={pending === 'answer'}
            />
          ))}
          <OwnFile
            offer={offer}
            disabled={pending !== null}
            failed={fileProblem}
            give={(file) => void work('file', () => giveFile(file, said), setFileProblem, say('offer_read_failed'))}
            remove={() => void work('file', () => removeFile(said), setFileProblem, say('offer_failed'))}
          />
          <label className="block border-t border-line py-4">
            <span className="block pb-1.5 font-semibold">{offer.commentLabel}</span>
            <textarea
              rows={3}
              maxLength={1000}
              dir="auto"
              value={comment ?? offer.comment}
              onChange={(event) => setComment(event.target.value)}
              className="w-full rounded-md border border-muted bg-sheet px-2.5 py-2"
            />
          </label>
          {offer.purpose && (
            <p className="border-t border-line py-4 whitespace-pre-line" dir="auto">
              {offer.purpose}
            </p>
          )}
          <div className="sticky bottom-0 -mx-5 border-t border-line bg-sheet px-5 py-3">
            {(problem ?? failed) && (
              <p role="alert" className="pb-1.5 font-semibold text-broken">
                {problem ?? failed}
              </p>
            )}
            <p aria-live="polite" className={`pb-1.5 ${isDone ? 'font-semibold' : 'text-muted'}`}>
              {isDone ? offer.answered : offer.unsaid[unsaid]}
            </p>
            <button
              type="button"
              disabled={pending !== null || isDone || (unsaid === offer.times.length && (comment ?? '') === '')}
              onClick={() => void send()}
              className="min-h-12 w-full rounded-md border-2 border-ink bg-ink px-4 font-semibold text-on-ink disabled:border-line disabled:bg-paper disabled:text-muted"
            >
              {pending === 'answer' ? say('offer_sending') : say('offer_send')}
            </button>
          </div>
        </>
      )}
      <p className="py-5 text-note text-muted">{offer.footer}</p>
    </Frame>
  );
}

function Frame({ children }: { children: ReactNode }) {
  return (
    <div className="mx-auto min-h-dvh max-w-[34rem] bg-sheet text-[0.9375rem] leading-6">
      <header className="wide bg-top px-5 py-2.5 font-bold text-white" dir="ltr">
        Syndex
      </header>
      <main className="px-5">{children}</main>
    </div>
  );
}
