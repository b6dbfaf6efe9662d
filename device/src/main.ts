import type { AddressInfo } from 'node:net';
import { WRENCH_PORT } from '@stennet/core/trace';
import { simulatedWrench } from './wrench';

const port = Number(process.env.WRENCH_PORT ?? WRENCH_PORT);
const server = simulatedWrench(process.env.WRENCH_NAME ?? 'Wrench 4, digital');
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken: another simulated wrench runs already.`
      : error.message,
  );
  process.exit(1);
});
server.listen(port, '127.0.0.1', () =>
  console.log(
    `A simulated wrench is on at http://127.0.0.1:${(server.address() as AddressInfo).port}`,
  ),
);
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(0));
