import fs from 'node:fs';
import path from 'node:path';

/** Every copy of every mail, a file each beside a file of facts; nothing is said to have arrived before it is on disk. */
export class Store {
  constructor(folder) {
    this.folder = folder;
    fs.mkdirSync(folder, { recursive: true });
    this.next = 1 + Math.max(0, ...this.numbers());
  }

  numbers() {
    return fs
      .readdirSync(this.folder)
      .filter((name) => /^\d+\.json$/.test(name))
      .map((name) => Number.parseInt(name, 10));
  }

  /** @param {Buffer} raw */
  keep(raw, from, to) {
    const number = this.next++;
    this.write(`${number}.eml`, raw);
    this.write(
      `${number}.json`,
      Buffer.from(JSON.stringify({ number, from, to, arrivedAt: new Date().toISOString(), octets: raw.length })),
    );
    return number;
  }

  write(name, bytes) {
    const file = fs.openSync(path.join(this.folder, name), 'w', 0o600);
    fs.writeSync(file, bytes);
    fs.fsyncSync(file);
    fs.closeSync(file);
  }

  /** Facts of all mails to a recipient, or of all, newest first. */
  list(recipient) {
    return this.numbers()
      .sort((a, b) => b - a)
      .map((number) => this.facts(number))
      .filter((facts) => facts !== null && (!recipient || facts.to.some((to) => to.toLowerCase() === recipient.toLowerCase())));
  }

  /** @returns {object | null} null where a crash left the file half written: that mail was not said to have arrived */
  facts(number) {
    try {
      return JSON.parse(fs.readFileSync(path.join(this.folder, `${number}.json`), 'utf8'));
    } catch {
      return null;
    }
  }

  /** @returns {Buffer | null} */
  raw(number) {
    const file = path.join(this.folder, `${number}.eml`);
    return fs.existsSync(file) ? fs.readFileSync(file) : null;
  }
}
