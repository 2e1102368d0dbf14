import http from 'node:http';
import { simpleParser } from 'mailparser';

const escaped = (text) => String(text ?? '').replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]);

const STYLE = `body{font:14px/1.45 system-ui,sans-serif;margin:0;color:#17202b;background:#f3f4f0}
header{background:#17202b;color:#fff;padding:10px 20px}header a{color:#fff;text-decoration:none;font-weight:600}
main{padding:16px 20px;max-width:1100px}table{border-collapse:collapse;width:100%}td,th{text-align:left;padding:6px 12px 6px 0;border-bottom:1px solid #d6d9d2;vertical-align:top}
pre{background:#fff;padding:12px;overflow:auto;border:1px solid #d6d9d2}iframe{width:100%;height:640px;border:1px solid #d6d9d2;background:#fff}a{color:#17202b}
form{margin:0 0 12px}input,button{font:inherit;padding:6px 10px}h1{font-size:19px}h2{font-size:15px;margin:20px 0 6px}`;

const page = (title, body) =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(title)}</title><style>${STYLE}</style></head><body><header><a href="/">Post room</a></header><main>${body}</main></body></html>`;

/** Pages to read the mail by recipient, and the same as JSON under /api. */
export function pageServer(store, faults) {
  const server = http.createServer(async (request, response) => {
    request.on('error', () => response.destroy());
    // "//" is no path that a URL could have after its host.
    const url = new URL(`http://post.room/${(request.url ?? '/').replace(/^\/+/, '')}`);
    const send = (status, type, body, headers = {}) => {
      response.writeHead(status, { 'Content-Type': type, 'X-Content-Type-Options': 'nosniff', ...headers });
      response.end(body);
    };
    const json = (value, status = 200) => send(status, 'application/json', JSON.stringify(value));
    try {
      if (url.pathname === '/') {
        return send(200, 'text/html; charset=utf-8', await list(store, url.searchParams.get('to')));
      }
      if (url.pathname === '/api/mails') {
        return json(await Promise.all(store.list(url.searchParams.get('to')).map((facts) => described(store, facts))));
      }
      if (url.pathname === '/api/faults') {
        if (request.method === 'PUT') {
          faults.clear();
          faults.set(JSON.parse((await body(request)) || '{}'));
        }
        return json(faults);
      }
      const found = /^\/(?:api\/)?mails\/(\d+)(\/html|\/source|\/calendar)?$/.exec(url.pathname);
      const raw = found ? store.raw(Number(found[1])) : null;
      if (!found || raw === null) {
        return send(404, 'text/plain', 'There is nothing here.');
      }
      if (found[2] === '/source') {
        return send(200, 'text/plain; charset=utf-8', raw);
      }
      const mail = await simpleParser(raw);
      if (found[2] === '/html') {
        return send(200, 'text/html; charset=utf-8', mail.html || '', {
          'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox",
        });
      }
      if (found[2] === '/calendar') {
        return send(200, 'text/calendar; charset=utf-8', calendarOf(mail) ?? '');
      }
      if (url.pathname.startsWith('/api/')) {
        return json({ ...(await described(store, { number: Number(found[1]) })), text: mail.text, calendar: calendarOf(mail) });
      }
      return send(200, 'text/html; charset=utf-8', one(Number(found[1]), mail));
    } catch (error) {
      return response.headersSent ? response.destroy() : send(400, 'text/plain', `This could not be read: ${error.message}`);
    }
  });
  server.on('clientError', (error, socket) => socket.destroy());
  return server;
}

async function body(request) {
  const chunks = [];
  for await (const chunk of request) {
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

/** The calendar attachment, as the text that arrived. */
function calendarOf(mail) {
  const part = mail.attachments.find((attachment) => /^(text\/calendar|application\/ics)/.test(attachment.contentType));
  return part ? part.content.toString('utf8') : null;
}

async function described(store, facts) {
  const raw = store.raw(facts.number);
  const mail = await simpleParser(raw);
  return { ...facts, subject: mail.subject, fromHeader: mail.from?.text, messageId: mail.messageId };
}

async function list(store, to) {
  const mails = await Promise.all(
    store
      .list(to)
      .slice(0, 300)
      .map((facts) => described(store, facts)),
  );
  const rows = mails
    .map(
      (m) =>
        `<tr><td>${escaped(m.arrivedAt.slice(0, 19).replace('T', ' '))} UTC</td><td>${m.to.map((address) => `<a href="/?to=${encodeURIComponent(address)}">${escaped(address)}</a>`).join(', ')}</td><td><a href="/mails/${m.number}">${escaped(m.subject || '(no subject)')}</a></td></tr>`,
    )
    .join('');
  return page(
    'Post room',
    `<h1>${to ? `Mail to ${escaped(to)}` : 'All mail that arrived'}</h1><form><label>Recipient <input name="to" value="${escaped(to)}" placeholder="name@domain.example"></label> <button>Show</button></form>${
      rows
        ? `<table><tr><th>Arrived</th><th>To</th><th>Subject</th></tr>${rows}</table>`
        : '<p>Nothing has arrived yet. Send a meeting, and its mails stand here.</p>'
    }`,
  );
}

function one(number, mail) {
  const calendar = calendarOf(mail);
  return page(
    mail.subject,
    `<h1>${escaped(mail.subject)}</h1><p>From ${escaped(mail.from?.text)}<br>To ${escaped(mail.to?.text)}<br>${escaped(mail.date?.toISOString())}</p>` +
      (mail.html ? `<h2>As a mail program shows it</h2><iframe title="The mail" sandbox src="/mails/${number}/html"></iframe>` : '') +
      `<h2>Plain text</h2><pre>${escaped(mail.text)}</pre>` +
      (calendar ? `<h2>Calendar (<a href="/mails/${number}/calendar">file</a>)</h2><pre>${escaped(calendar)}</pre>` : '') +
      `<p><a href="/mails/${number}/source">The mail as it arrived, whole</a></p>`,
  );
}
