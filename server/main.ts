import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { createApp } from './app';

const root = fileURLToPath(new URL('../dist/app', import.meta.url));
const wanted = Number(process.env['PORT'] ?? 4600);
if (!Number.isInteger(wanted) || wanted < 0 || wanted > 65535) {
  console.error(`PORT must be a whole number from 0 to 65535, not "${process.env['PORT']}"`);
  process.exit(2);
}

const server = createServer(createApp(root));
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${wanted} is taken. Try: PORT=${wanted + 1} npm start` : error.message);
  process.exit(1);
});
// loopback only: nobody else on the network gets in
server.listen(wanted, '127.0.0.1', () => {
  console.log(`Terroir is at http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
});
