// A little calendar of one person, of nothing but ical.js: it takes messages one by one by RFC 5546 2.1.5 and says what it holds.
import ICAL from 'ical.js';

const MOST = 400;

function time(component, name) {
  const property = component.getFirstProperty(name);
  return property ? property.getFirstValue() : null;
}

/** A moment of UTC for a time, a day for a date: what two entries agree about. */
const moment = (value) => (value.isDate ? `day ${value.toString()}` : value.toUnixTime());

export class LittleCalendar {
  /** uid -> { sequence, stamp, master, off: Set, own: Map } */
  #meetings = new Map();

  apply(text) {
    const root = new ICAL.Component(ICAL.parse(text));
    for (const zone of root.getAllSubcomponents('vtimezone')) {
      ICAL.TimezoneService.remove(zone.getFirstPropertyValue('tzid'));
      ICAL.TimezoneService.register(new ICAL.Timezone(zone));
    }
    // A zone is bound when its component is made, so the text is read anew with the zones that came with it.
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
    const method = root.getFirstPropertyValue('method');
    const uid = events[0].getFirstPropertyValue('uid');
    const sequence = Number(events[0].getFirstPropertyValue('sequence') ?? 0);
    const stamp = time(events[0], 'dtstamp').toUnixTime();
    const held = this.#meetings.get(uid) ?? { versions: new Map(), master: null, off: new Set(), own: new Map() };
    this.#meetings.set(uid, held);
    const whole = events.find((event) => !event.hasProperty('recurrence-id'));
    for (const event of whole ? [whole] : events) {
      const key = event.hasProperty('recurrence-id') ? moment(time(event, 'recurrence-id')) : 'whole';
      // 2.1.5: a component of a lower SEQUENCE, or of an earlier DTSTAMP at the same, is old and not taken.
      const known = [held.versions.get(key), held.versions.get('whole')].filter(Boolean);
      if (known.some(([knownSequence, knownStamp]) => sequence < knownSequence || (sequence === knownSequence && stamp < knownStamp))) {
        throw new Error(`old message: SEQUENCE ${sequence}, DTSTAMP ${stamp}, known ${JSON.stringify(known)}`);
      }
      held.versions.set(key, [sequence, stamp]);
    }
    if (method === 'CANCEL') {
      for (const event of events) {
        if (!event.hasProperty('recurrence-id')) {
          Object.assign(held, { master: null, off: new Set(), own: new Map() });
          continue;
        }
        const key = moment(time(event, 'recurrence-id'));
        held.off.add(key);
        held.own.delete(key);
      }
      return;
    }
    if (whole) {
      Object.assign(held, { master: whole, off: new Set(), own: new Map() });
    }
    for (const event of events.filter((one) => one !== whole)) {
      const key = moment(time(event, 'recurrence-id'));
      held.own.set(key, event);
      held.off.delete(key);
    }
  }

  uids() {
    return [...this.#meetings.keys()];
  }

  /** Every date with what stands on it, in order. */
  dates(uid) {
    const held = this.#meetings.get(uid);
    if (!held) {
      return [];
    }
    const said = (event, start, length) =>
      JSON.stringify([
        moment(start),
        length,
        event.getFirstPropertyValue('summary') ?? '',
        event.getFirstPropertyValue('location') ?? '',
        event.getFirstPropertyValue('description') ?? '',
        event.getFirstPropertyValue('url') ?? '',
        event.getFirstPropertyValue('organizer') ?? '',
      ]);
    const lengthOf = (event) => {
      const [start, end] = [time(event, 'dtstart'), time(event, 'dtend')];
      return start.isDate ? (end.toUnixTime() - start.toUnixTime()) / 60 : end ? (end.toUnixTime() - start.toUnixTime()) / 60 : null;
    };
    const dates = [...held.own.values()].map((event) => said(event, time(event, 'dtstart'), lengthOf(event)));
    if (held.master) {
      const start = time(held.master, 'dtstart');
      const length = lengthOf(held.master);
      const starts = new Map();
      if (held.master.hasProperty('rrule') || held.master.hasProperty('rdate')) {
        const walk = new ICAL.RecurExpansion({ component: held.master, dtstart: start });
        for (let next = walk.next(), count = 0; next && count < MOST; next = walk.next(), count++) {
          starts.set(moment(next), next);
        }
      }
      // Without a rule DTSTART is the first date, also beside RDATE (RFC 5545 3.8.5.2), where ical.js passes it over.
      const out = new Set(held.master.getAllProperties('exdate').flatMap((property) => property.getValues()).map(moment));
      if (!held.master.hasProperty('rrule') && !out.has(moment(start))) {
        starts.set(moment(start), start);
      }
      for (const [key, at] of starts) {
        if (!held.own.has(key) && !held.off.has(key)) {
          dates.push(said(held.master, at, length));
        }
      }
    }
    return dates.sort();
  }
}
