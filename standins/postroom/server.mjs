// The post room: a mail server for one machine, which keeps every copy that arrives and shows it as it arrived.
// SMTP in (RFC 5321), pages and a small API out. It forwards nothing; what is for Syndex itself it hands over.
import { Faults } from './faults.mjs';
import { Inbound } from './inbound.mjs';
import { Store } from './store.mjs';
import { smtpServer } from './smtp.mjs';
import { pageServer } from './pages.mjs';

const setting = (name, fallback) => process.env[name] ?? fallback;

const store = new Store(setting('POSTROOM_DIR', 'var/postroom'));
const faults = new Faults();
const receive = setting('POSTROOM_RECEIVE', '');
const inbound = new Inbound(
  setting('POSTROOM_DOMAIN', ''),
  setting('POSTROOM_NAME', 'mail.syndex.example'),
  receive === '' ? [] : [receive, 'mail', 'receive'],
);
const smtp = smtpServer(store, faults, inbound);
const pages = pageServer(store, faults);

smtp.on('error', (error) => console.error('smtp:', error.message));
smtp.listen(Number(setting('POSTROOM_SMTP_PORT', 2525)), '127.0.0.1');
pages.listen(Number(setting('POSTROOM_PAGE_PORT', 8025)), '127.0.0.1');

// A conversation that breaks ends by itself; the others go on.
process.on('unhandledRejection', (error) => console.error('unexpected:', error));

for (const signal of ['SIGTERM', 'SIGINT']) {
  process.on(signal, () => process.exit(0));
}
