import { createServer, type Server, type Socket } from 'node:net';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * The mailbox of the mail stand-in: as much of IMAP4rev1 (RFC 3501) as reading one folder takes, over a folder of .eml files on loopback. Whoever gives the password “wrong” is not let in.
 * What was read is kept in memory: a stand-in that begins anew has all unread.
 */
export function serveMailbox(folder: string, port: number): Server {
  const seen = new Set<string>();
  const files = (): string[] =>
    readdirSync(folder)
      .filter((name) => name.endsWith('.eml'))
      .sort();
  const server = createServer((socket) => new Session(socket, { files, folder, seen }).begin());
  server.on('error', () => undefined);
  server.listen(port, '127.0.0.1');
  return server;
}

interface Box {
  files: () => string[];
  folder: string;
  seen: Set<string>;
}

class Session {
  #pending = '';
  constructor(
    private readonly socket: Socket,
    private readonly box: Box,
  ) {}

  begin(): void {
    this.socket.on('error', () => undefined);
    this.#say('* OK stand-in ready');
    this.socket.on('data', (chunk) => {
      this.#pending += chunk.toString('latin1');
      for (let end = this.#pending.indexOf('\r\n'); end >= 0; end = this.#pending.indexOf('\r\n')) {
        const line = this.#pending.slice(0, end);
        this.#pending = this.#pending.slice(end + 2);
        this.#do(line);
      }
    });
  }

  #say(line: string): void {
    this.socket.write(`${line}\r\n`, 'latin1');
  }

  #do(line: string): void {
    const [tag = '*', ...words] = line.split(' ');
    const command = words[0]?.toUpperCase() === 'UID' ? `UID ${words[1]?.toUpperCase()}` : (words[0]?.toUpperCase() ?? '');
    const files = this.box.files();
    switch (command) {
      case 'CAPABILITY':
        this.#say('* CAPABILITY IMAP4rev1');
        break;
      case 'LOGIN':
        if (words[2]?.replaceAll('"', '') === 'wrong') return this.#say(`${tag} NO [AUTHENTICATIONFAILED] not known`);
        break;
      case 'LIST':
      case 'LSUB':
        this.#say(`* ${command} () "/" INBOX`);
        break;
      case 'SELECT':
        this.#say('* FLAGS (\\Seen)');
        this.#say(`* ${files.length} EXISTS`);
        this.#say('* 0 RECENT');
        this.#say('* OK [UIDVALIDITY 1] valid');
        this.#say(`* OK [UIDNEXT ${files.length + 1}] next`);
        return this.#say(`${tag} OK [READ-WRITE] done`);
      case 'UID SEARCH': {
        const unread = files.flatMap((name, at) => (this.box.seen.has(name) ? [] : [at + 1]));
        this.#say(['* SEARCH', ...unread].join(' '));
        break;
      }
      case 'UID FETCH':
        this.#fetch(Number(words[2]), files[Number(words[2]) - 1]);
        break;
      case 'UID STORE': {
        const name = files[Number(words[2]) - 1];
        if (name) this.box.seen.add(name);
        this.#say(`* ${words[2]} FETCH (UID ${words[2]} FLAGS (\\Seen))`);
        break;
      }
      case 'LOGOUT':
        this.#say('* BYE');
        this.#say(`${tag} OK done`);
        this.socket.end();
        return;
    }
    this.#say(`${tag} OK done`);
  }

  #fetch(uid: number, name: string | undefined): void {
    if (!name) return;
    const bytes = readFileSync(join(this.box.folder, name));
    this.socket.write(`* ${uid} FETCH (UID ${uid} BODY[]<0> {${bytes.length}}\r\n`, 'latin1');
    this.socket.write(bytes);
    this.socket.write(')\r\n');
  }
}
