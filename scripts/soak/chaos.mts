import { GOAL, cluster, counted, sleep, soak } from './ledger.mts';
import { Server } from './server.mts';
import { Device } from './device.mts';

export async function chaos(devices: readonly Device[], servers: readonly Server[]): Promise<void> {
  const acts: ('kills' | 'databaseKills' | 'cuts' | 'takeOvers')[] = (
    ['kills', 'databaseKills', 'cuts', 'takeOvers'] as const
  ).flatMap((kind) => Array.from({ length: GOAL[kind] }, () => kind));
  acts.sort(() => Math.random() - 0.5);
  const every = GOAL.pulls / (acts.length + 1);
  for (const [i, act] of acts.entries()) {
    while (counted.pulls < every * (i + 0.5)) await sleep(20);
    await does[act](devices, servers);
    counted[act] += 1;
  }
}

const does = {
  kills: async (_devices: readonly Device[], servers: readonly Server[]): Promise<void> => {
    const server = servers[Math.floor(Math.random() * servers.length)] as Server;
    await server.kill();
    await sleep(150);
    server.start();
  },
  databaseKills: async (): Promise<void> => {
    cluster.kill();
    await cluster.start();
  },
  cuts: async (devices: readonly Device[]): Promise<void> => {
    const device = devices[Math.floor(Math.random() * devices.length)] as Device;
    device.isCut = true;
    await sleep(700);
    device.isCut = false;
  },
  takeOvers: async (devices: readonly Device[]): Promise<void> => {
    for (;;) {
      const [a, b] = [...devices].sort(() => Math.random() - 0.5) as [Device, Device];
      a.isCut = true;
      await sleep(400);
      b.took = null;
      b.wanted = a;
      while (b.took === null && !soak.isOver) await sleep(20);
      a.isCut = false;
      if (b.took !== false) return;
    }
  },
};
