// A picture that telephones read: a link on standard input, a PNG on standard output. The link may hold a passcode, so it is no argument.
import QRCode from 'qrcode';

const chunks = [];
for await (const chunk of process.stdin) {
  chunks.push(chunk);
}
const link = Buffer.concat(chunks).toString('utf8').trim();
if (link === '' || link.length > 1000) {
  process.exit(1);
}
process.stdout.write(await QRCode.toBuffer(link, { type: 'png', scale: 6, margin: 4, errorCorrectionLevel: 'M' }));
