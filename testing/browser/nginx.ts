import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '../../scripts/start/cluster';

const NAME = 'shop.example';

/** A certificate that a shop makes itself. */
function makeCertificate(folder: string): void {
  const made = spawnSync('openssl', [
    ...['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', `/CN=${NAME}`],
    ...['-addext', `subjectAltName=DNS:${NAME}`, '-keyout', join(folder, 'privkey.pem')],
    ...['-out', join(folder, 'fullchain.pem')],
  ]);
  if (made.status !== 0) throw new Error(`no certificate: ${made.stderr.toString()}`);
}

/** The recipe of docs/operating as it stands there, with the ports and files of a test in place of those of a server. */
function recipe(folder: string, ports: { http: number; https: number; app: number }): string {
  const written = readFileSync(join(process.cwd(), 'docs', 'operating', 'nginx.conf'), 'utf8');
  const server = written
    .replace('listen 80;', `listen 127.0.0.1:${ports.http};`)
    .replace('listen 443 ssl http2;', `listen 127.0.0.1:${ports.https} ssl http2;`)
    .replaceAll('/etc/ssl/fenbrik/', `${folder}/`)
    .replace('127.0.0.1:4180', `127.0.0.1:${ports.app}`);
  const places = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((name) => `${name}_temp_path ${folder}/${name};`)
    .join(' ');
  return `daemon off; pid ${folder}/pid; error_log ${folder}/error.log; events {}
    http { access_log off; ${places} ${server} }`;
}

async function listens(port: number): Promise<void> {
  for (let tries = 0; tries < 100; tries++) {
    const is = await new Promise<boolean>((resolve) => {
      const socket = connect(port, '127.0.0.1', () => {
        socket.destroy();
        resolve(true);
      });
      socket.once('error', () => resolve(false));
    });
    if (is) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('nginx did not come up');
}

export interface Ports {
  http: number;
  https: number;
}

export const proxyPorts = async (): Promise<Ports> => ({ http: await freePort(), https: await freePort() });
export const proxyAddress = ({ https }: Ports): string => `https://${NAME}:${https}`;

/** Debian's nginx by the documented recipe, in front of the application. */
export async function openProxy(ports: Ports, app: number): Promise<{ close: () => void }> {
  const folder = mkdtempSync(join(tmpdir(), 'fenbrik-nginx-'));
  chmodSync(folder, 0o755);
  mkdirSync(join(folder, 'logs'));
  makeCertificate(folder);
  const file = join(folder, 'nginx.conf');
  writeFileSync(file, recipe(folder, { ...ports, app }));
  const nginx: ChildProcess = spawn('/usr/sbin/nginx', ['-c', file, '-p', folder], { stdio: 'ignore' });
  await listens(ports.https);
  return {
    close: () => {
      nginx.kill('SIGTERM');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
