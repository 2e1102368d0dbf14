// Who gets in: the bridge asks the headless core (docs/headless-core.md), as anybody may who has to decide the same.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const core = path.join(path.dirname(fileURLToPath(import.meta.url)), '../../ops/core.php');
const SECONDS = 5;

/** A line to the core, its answer back. */
function ask(verb, line) {
  return new Promise((resolve, reject) => {
    const process = spawn('php', ['-d', 'pcov.enabled=0', core, verb], { stdio: ['pipe', 'pipe', 'ignore'] });
    const late = setTimeout(() => process.kill(), SECONDS * 1000);
    let out = '';
    process.stdout.on('data', (chunk) => {
      out += chunk;
    });
    process.on('error', reject);
    process.on('close', () => {
      clearTimeout(late);
      try {
        resolve(JSON.parse(out));
      } catch {
        reject(new Error('the core gave no answer'));
      }
    });
    process.stdin.on('error', reject);
    process.stdin.end(`${JSON.stringify(line)}\n`);
  });
}

/** What somebody gave beside what the room asks for; of a caller the PIN. */
const given = (room, { way, passcode }) =>
  passcode === null || passcode === undefined || passcode === ''
    ? 'none'
    : passcode === (way === 'phone' ? room.pin : room.passcode)
      ? 'right'
      : 'wrong';

/** Decides on those who come to a room, in order of time. */
export async function decide(room, { start, duration, arrivals }) {
  const rules = room.rules ?? {};
  const answer = await ask('entry', {
    id: 1,
    start,
    duration,
    rules: {
      opens: rules.opens,
      doors: rules.doors,
      before_host: rules.beforeHost,
      lobby: rules.lobby,
      invited_only: rules.invitedOnly,
      sign_in: rules.signIn,
      passcode: rules.passcode,
      countries: rules.countries ?? null,
      capacity: rules.capacity ?? null,
      lock: rules.lock ?? null,
    },
    arrivals: Array.isArray(arrivals) ? arrivals.map((one) => ({ ...one, passcode: given(room, one ?? {}) })) : arrivals,
  });
  return answer.error ? [422, { error: answer.error.message }] : [200, { decisions: answer.decisions }];
}
