// Behind Debian's nginx: https, forwarded addresses, streams unbuffered, uploads, two web and two jobs processes, and one after the other started anew under load without a refused request.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { Agent, request } from 'node:https';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answers, startScript, startWeb, stopAll, stopChild } from '../lib/processes.mjs';
import { ensureBuild } from '../lib/project.mjs';
import { closeHouse, ensureDemoDump, openHouse } from '../lib/seeded.mjs';
import { aptInstall, freePort, installed, run } from '../lib/system.mjs';

/** Resolves to what was found, in Markdown. */
export async function proxy() {
  if (!installed('nginx')) aptInstall(['nginx-light'], 'nginx');
  await ensureBuild();
  const house = await openHouse(await ensureDemoDump(), 'proxy');
  const folder = mkdtempSync(join(tmpdir(), 'werkbank-nginx-'));
  const [front, a, b] = [await freePort(), await freePort(), await freePort()];
  const origin = `https://127.0.0.1:${front}`;
  const env = { ...house.env, WERKBANK_ORIGIN: origin, WERKBANK_TRUSTED_PROXIES: 'loopback' };
  const found = [];
  let nginx;
  try {
    run('openssl', [
      'req',
      '-x509',
      '-newkey',
      'rsa:2048',
      '-nodes',
      '-days',
      '2',
      '-subj',
      '/CN=127.0.0.1',
      '-keyout',
      join(folder, 'key.pem'),
      '-out',
      join(folder, 'crt.pem'),
    ]);
    writeFileSync(join(folder, 'nginx.conf'), conf(folder, front, [a, b]));
    const webs = [a, b].map((port) => startWeb({ ...env, PORT: String(port) }, { quiet: true }));
    const jobs = [0, 1].map(() => startScript('src/processes/jobs.ts', env, { quiet: true }));
    await Promise.all([a, b].map((port) => answers(`http://127.0.0.1:${port}/api/health`)));
    nginx = spawn('nginx', ['-p', folder, '-c', join(folder, 'nginx.conf'), '-g', 'daemon off;'], { stdio: 'ignore' });
    while ((await ask(front, '/api/health').catch(() => ({ status: 0 }))).status !== 200)
      await new Promise((soon) => setTimeout(soon, 100));

    const page = await ask(front, '/sign-in');
    found.push(`- https: sign-in page ${page.status}, HSTS "${page.headers['strict-transport-security'] ?? 'missing'}".`);
    const bulk = Buffer.alloc(8_000_000, 'x');
    const upload = await ask(
      front,
      '/api/runs/7d444840-9dc0-11d1-b245-5ffdce74fad2/photos',
      { method: 'POST', headers: { 'content-type': 'image/png', 'content-length': bulk.length } },
      bulk,
    );
    found.push(`- Upload of 8 MB without a session: ${upload.status} (the house's own answer, not the proxy's 413).`);
    // Forwarded addresses: a stranger from one address is told to wait, one from another is served.
    const from = (address) => ask(front, '/api/hand', { method: 'POST', headers: { 'x-forwarded-for': address } });
    const burst = await Promise.all(Array.from({ length: 460 }, () => from('203.0.113.9')));
    found.push(
      `- Forwarded addresses: of 460 requests by one stranger ${burst.filter((one) => one.status === 429).length} were told to wait (200 each in ten seconds at each of two processes), by the address that the proxy forwards.`,
    );
    await new Promise((soon) => setTimeout(soon, 10_500));

    // One process after the other ends and comes back, while health and the check page are asked all the time.
    const seen = {};
    let [going, asked] = [true, 0];
    const load = Promise.all(
      Array.from({ length: 8 }, async (_one, i) => {
        const headers = { 'x-forwarded-for': `198.51.100.${i}` };
        while (going) {
          const { status } = await ask(front, asked++ % 2 ? '/api/health' : '/.well-known/jwks.json', { headers }).catch(
            (error) => ({
              status: error.code ?? error.message,
            }),
          );
          seen[status] = (seen[status] ?? 0) + 1;
          await new Promise((soon) => setTimeout(soon, 60));
        }
      }),
    );
    for (const [i, port] of [a, b].entries()) {
      await stopChild(webs[i], 15_000);
      webs[i] = startWeb({ ...env, PORT: String(port) }, { quiet: true });
      await answers(`http://127.0.0.1:${port}/api/health`);
      await stopChild(jobs[i], 15_000);
      jobs[i] = startScript('src/processes/jobs.ts', env, { quiet: true });
      await new Promise((soon) => setTimeout(soon, 3000));
    }
    going = false;
    await load;
    found.push(
      `- Both web and both jobs processes started anew, one after the other, under load: ${JSON.stringify(seen)} (by status; anything but 200 would be a refused request).`,
    );
    return found.join('\n');
  } finally {
    nginx?.kill('SIGQUIT');
    await stopAll();
    closeHouse(house);
  }
}

const agent = new Agent({ rejectUnauthorized: false, keepAlive: true, maxSockets: 64 });
function ask(port, path, options = {}, body) {
  return new Promise((resolve, reject) => {
    const sent = request({ host: '127.0.0.1', port, path, agent, timeout: 20_000, ...options }, (answer) => {
      answer.resume();
      answer.on('end', () => resolve({ status: answer.statusCode, headers: answer.headers }));
      answer.on('error', reject);
    });
    sent.on('error', reject);
    sent.on('timeout', () => sent.destroy(new Error('timeout')));
    sent.end(body);
  });
}

const conf = (folder, front, ports) => `
user root;
worker_processes 1;
pid ${folder}/nginx.pid;
error_log ${folder}/error.log warn;
events { worker_connections 512; }
http {
  access_log off;
  client_body_temp_path ${folder}/body;
  proxy_temp_path ${folder}/proxy;
  fastcgi_temp_path ${folder}/f; uwsgi_temp_path ${folder}/u; scgi_temp_path ${folder}/s;
  upstream house {
${ports.map((port) => `    server 127.0.0.1:${port} max_fails=1 fail_timeout=1s;`).join('\n')}
    keepalive 16;
  }
  server {
    listen 127.0.0.1:${front} ssl;
    ssl_certificate ${folder}/crt.pem;
    ssl_certificate_key ${folder}/key.pem;
    client_max_body_size 10m;
    location / {
      proxy_pass http://house;
      proxy_http_version 1.1;
      proxy_set_header Host $host:$server_port;
      proxy_set_header X-Forwarded-For $proxy_add_x_forwarded_for;
      proxy_set_header Connection "";
      proxy_next_upstream error timeout;
    }
    location = /api/stream {
      proxy_pass http://house;
      proxy_http_version 1.1;
      proxy_set_header X-Forwarded-For $proxy_add_x_forwarded_for;
      proxy_set_header Connection "";
      proxy_buffering off;
      proxy_read_timeout 1h;
    }
  }
}
`;
