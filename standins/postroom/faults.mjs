/** Faults that can be switched on, so that what happens then can be seen. */
export class Faults {
  constructor() {
    this.clear();
  }

  clear() {
    /** Addresses refused with 550; some may be so from the start, as in the demo. */
    this.refuse = (process.env.POSTROOM_REFUSE ?? '').split(',').filter((address) => address !== '');
    /** Milliseconds before each answer to DATA. */
    this.slowMs = 0;
    /** 'before_data': the line is cut before the mail is taken; 'after_data': after it is kept, before 250 is said. */
    this.drop = null;
    /** 'greeting': nobody is greeted; 'sender': every sender is refused, as by a relay that wants to know who we are. */
    this.shut = null;
    /** How many more conversations are cut; null: all. */
    this.dropTimes = null;
  }

  /** @param {Record<string, unknown>} asked */
  set(asked) {
    const known = ['refuse', 'slowMs', 'drop', 'dropTimes', 'shut'];
    for (const name of Object.keys(asked)) {
      if (!known.includes(name)) {
        throw new Error(`expected ${known.join(', ')}, got ${name}`);
      }
    }
    if (asked.drop !== undefined && ![null, 'before_data', 'after_data'].includes(asked.drop)) {
      throw new Error('drop is before_data, after_data or null');
    }
    if (asked.shut !== undefined && ![null, 'greeting', 'sender'].includes(asked.shut)) {
      throw new Error('shut is greeting, sender or null');
    }
    Object.assign(this, asked);
  }

  refuses(address) {
    return this.refuse.some((refused) => refused.toLowerCase() === address.toLowerCase());
  }

  /** Whether to cut the line now; counts down. */
  cuts(when) {
    if (this.drop !== when || this.dropTimes === 0) {
      return false;
    }
    if (this.dropTimes !== null) {
      this.dropTimes -= 1;
    }
    return true;
  }

  toJSON() {
    return { refuse: this.refuse, slowMs: this.slowMs, drop: this.drop, dropTimes: this.dropTimes, shut: this.shut };
  }
}
