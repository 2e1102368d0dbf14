import { SMTPServer } from 'smtp-server';

const pause = (ms) => new Promise((done) => setTimeout(done, ms));

/** SMTP without sign-in and without encryption: it listens on the machine itself only. */
export function smtpServer(store, faults, inbound) {
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    // As most relays still are: an address needs no more than ASCII before its @ (RFC 6531 is not spoken).
    hideSMTPUTF8: true,
    banner: 'post room',
    size: 25 * 1024 * 1024,
    onConnect(session, done) {
      done(faults.shut === 'greeting' ? refusal(554, 'no mail is taken at the moment') : undefined);
    },
    onMailFrom(address, session, done) {
      done(faults.shut === 'sender' ? refusal(530, '5.7.0 authentication required') : undefined);
    },
    onRcptTo(address, session, done) {
      if (faults.refuses(address.address)) {
        return done(refusal(550, `5.1.1 ${address.address}: there is no such address here`));
      }
      done();
    },
    onData(stream, session, done) {
      if (faults.cuts('before_data')) {
        stream.resume();
        return cut(server, session);
      }
      const chunks = [];
      stream.on('data', (chunk) => chunks.push(chunk));
      stream.on('error', () => undefined);
      stream.on('end', async () => {
        const raw = Buffer.concat(chunks);
        const from = session.envelope.mailFrom ? session.envelope.mailFrom.address : '';
        const to = session.envelope.rcptTo.map((one) => one.address);
        const number = store.keep(raw, from, to);
        await pause(faults.slowMs);
        if (faults.cuts('after_data')) {
          return cut(server, session);
        }
        const no = await inbound.give(raw, from, to);
        done(no === null ? null : refusal(no.code, no.text), `kept as ${number}`);
      });
    },
  });
  return server;
}

function refusal(code, text) {
  return Object.assign(new Error(text), { responseCode: code });
}

/** Ends the conversation as a broken line does: without a word. */
function cut(server, session) {
  for (const connection of server.connections) {
    if (connection.id === session.id) {
      connection._socket.destroy();
    }
  }
}
