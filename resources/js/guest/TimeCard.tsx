import { REPLIES, type Offer, type OfferedTime, type Reply } from './offer';

const MINUTES = 1440;
const x = (minutes: number) => `${(minutes / MINUTES) * 100}%`;

/** The guest's own day from midnight to midnight, with the time in it. Time runs from left to right in every language. */
function OwnDay({ time }: { time: OfferedTime }) {
  return (
    <div dir="ltr" aria-hidden className="pt-2">
      <div className="relative h-5">
        {time.ground.map(([from, to, tone]) => (
          <span key={from} className={`ground-${tone} absolute inset-y-0`} style={{ left: x(from), width: x(to - from) }} />
        ))}
        <span
          className="absolute -inset-y-1 rounded border-2 border-[#17202b] bg-sun"
          style={{ left: x(time.barAt), width: `max(10px, ${x(Math.min(time.barMinutes, MINUTES - time.barAt))})` }}
        />
      </div>
      <div className="relative mt-1 h-4 text-[0.6875rem] leading-4 text-muted">
        {[0, 6, 12, 18, 24].map((hour) => (
          <span
            key={hour}
            className={`absolute ${hour === 0 ? '' : hour === 24 ? '-translate-x-full' : '-translate-x-1/2'}`}
            style={{ left: x(hour * 60) }}
          >
            {String(hour).padStart(2, '0')}
          </span>
        ))}
      </div>
    </div>
  );
}

export type TimeCardProps = { time: OfferedTime; offer: Offer; reply: Reply | null; choose: (reply: Reply) => void; disabled: boolean };

/** One of the times, by the guest's own clock first and largest, with what can be said to it. */
export function TimeCard({ time, offer, reply, choose, disabled }: TimeCardProps) {
  return (
    <fieldset className="border-t border-line py-4" disabled={disabled}>
      <legend className="contents">
        <span className="block text-[1.1875rem] leading-6 font-semibold">{time.date}</span>
        <span className="narrow block text-[2rem] leading-9 font-bold">
          {time.clock}
          {time.light && <span className="ps-2.5 text-[0.9375rem] leading-5 font-semibold">{time.light}</span>}
        </span>
      </legend>
      {time.there && <p className="text-muted">{time.there}</p>}
      <OwnDay time={time} />
      {time.shifts.map((line) => (
        <p key={line} className="text-muted">
          {line}
        </p>
      ))}
      {time.busy && <p className="border-s-4 border-odd ps-2 font-semibold">{time.busy}</p>}
      <div className="mt-2.5 grid grid-cols-[repeat(auto-fit,minmax(6.5rem,1fr))] gap-2">
        {REPLIES.map((one) => (
          <label
            key={one}
            className={`flex min-h-11 cursor-pointer items-center justify-center rounded-md border-2 border-ink px-1 text-center leading-5 font-semibold narrow has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-offset-2 has-[:focus-visible]:outline-ink ${reply === one ? 'bg-ink text-on-ink' : 'bg-sheet'}`}
          >
            <input type="radio" className="sr-only" name={`time-${time.id}`} checked={reply === one} onChange={() => choose(one)} />
            {offer.replies[one]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
