// A real SMTP server on a free port for the tests: it writes what it takes into a file, one JSON object a line, and
// refuses what it is told to refuse.
//
//   node smtp-server.mjs FILE ["550 5.1.1 no such mailbox"] [USER:PASSWORD]
import { appendFileSync } from 'node:fs';
import { SMTPServer } from 'smtp-server';

const [, , file, refusal = '', login = ''] = process.argv;
const server = new SMTPServer({
    authOptional: login === '',
    allowInsecureAuth: true,
    disabledCommands: ['STARTTLS'],
    hideSMTPUTF8: true,
    onAuth(auth, session, done) {
        const right = `${auth.username}:${auth.password}` === login;
        done(right ? null : new Error('Invalid login'), right ? { user: auth.username } : undefined);
    },
    onRcptTo(address, session, done) {
        if (refusal === '') {
            return done();
        }
        done(Object.assign(new Error(refusal.slice(4)), { responseCode: Number(refusal.slice(0, 3)) }));
    },
    onData(stream, session, done) {
        let data = '';
        stream.on('data', (piece) => (data += piece));
        stream.on('end', () => {
            appendFileSync(file, JSON.stringify({ from: session.envelope.mailFrom.address, to: session.envelope.rcptTo.map((r) => r.address), data }) + '\n');
            done();
        });
    },
});
server.listen(0, '127.0.0.1', () => console.log(server.server.address().port));
