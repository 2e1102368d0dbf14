// Mail for Syndex itself: what a mail server of our own domain does with it. It writes down where the mail comes from and hands it
// to a program on standard input, as any mail server's pipe does.
import { spawn } from 'node:child_process';

const LATER = 75;
const NO_SUCH_ADDRESS = 67;
const PATIENCE_MS = 30_000;

export class Inbound {
  /**
   * @param {string} domain our own
   * @param {string} server as it names itself in Authentication-Results (RFC 8601 2.5)
   * @param {string[]} command that takes one mail; none: nothing is handed on
   */
  constructor(domain, server, command) {
    this.domain = domain.toLowerCase();
    this.server = server;
    this.command = command;
  }

  /** Whether an address is one that Syndex answers. */
  takes(address) {
    const [local = '', domain = ''] = address.toLowerCase().split('@');
    return this.command.length > 0 && domain === this.domain && /^[mb]-/.test(local);
  }

  /**
   * @param {Buffer} raw
   * @returns {Promise<{ code: number, text: string } | null>} what is answered to DATA instead of 250; null: it was taken
   */
  async give(raw, from, to) {
    const own = to.filter((address) => this.takes(address));
    if (own.length === 0) {
      return null;
    }
    const mail = Buffer.concat([Buffer.from(this.results(raw, from)), this.without(raw)]);
    const status = await this.run(mail, [`--sender=${from}`, ...own.map((address) => `--recipient=${address}`)]);
    return status === 0
      ? null
      : status === NO_SUCH_ADDRESS
        ? { code: 550, text: '5.1.1 there is no such address here' }
        : status === LATER || status === null
          ? { code: 451, text: '4.3.0 not now, try again later' }
          : { code: 554, text: '5.6.0 this cannot be read' };
  }

  run(mail, options) {
    return new Promise((done) => {
      const [program, ...given] = this.command;
      const child = spawn(program, [...given, ...options], { stdio: ['pipe', 'ignore', 'ignore'] });
      const timer = setTimeout(() => child.kill('SIGKILL'), PATIENCE_MS);
      child.on('error', () => done(null));
      child.on('close', (status) => {
        clearTimeout(timer);
        done(status);
      });
      child.stdin.on('error', () => undefined);
      child.stdin.end(mail);
    });
  }

  /**
   * There is no DNS here to ask: a mail whose sender on the envelope is of the domain of its author passes, as it would with SPF
   * that holds (RFC 7489 3.1.2); any other fails.
   */
  results(raw, from) {
    const author = fields(raw)
      .filter(({ name }) => name === 'from')
      .map(({ text }) => /<([^<>]*)>\s*$/.exec(text)?.[1] ?? text.trim());
    const domainOf = (address) => (address.split('@')[1] ?? '').toLowerCase().replace(/[^a-z0-9.-]/g, '');
    const domain = author.length === 1 ? domainOf(author[0]) : '';
    const passes = domain !== '' && domainOf(from) === domain;
    return `Authentication-Results: ${this.server}; dmarc=${passes ? 'pass' : 'fail'} header.from=${domain || 'unknown'}\r\n`;
  }

  /** The mail without fields in which somebody else speaks in our name (RFC 8601 5). */
  without(raw) {
    const { end } = head(raw);
    const kept = fields(raw).filter(
      ({ name, text }) => name !== 'authentication-results' || text.trim().split(/[\s;]/)[0].toLowerCase() !== this.server.toLowerCase(),
    );
    return Buffer.concat([...kept.map(({ octets }) => octets), raw.subarray(end)]);
  }
}

/** Where the head of a mail ends. */
function head(raw) {
  const [crlf, lf] = ['\r\n\r\n', '\n\n'].map((mark) => raw.indexOf(mark));
  const found = [crlf === -1 ? Infinity : crlf + 2, lf === -1 ? Infinity : lf + 1];
  return { end: Math.min(...found, raw.length) };
}

/** The fields of the head, each with its folded lines. */
function fields(raw) {
  const text = raw.subarray(0, head(raw).end).toString('latin1');
  return (text.match(/[^\n]*\n(?:[ \t][^\n]*\n)*|[^\n]+$/g) ?? []).map((line) => ({
    name: (line.split(':')[0] ?? '').trim().toLowerCase(),
    text: line.slice(line.indexOf(':') + 1).replace(/\r?\n[ \t]+/g, ' '),
    octets: Buffer.from(line, 'latin1'),
  }));
}
