// ./stennet new-shop: a code for one more shop on this server. Whoever gets it makes the shop in
// their browser and becomes its lead.
import { runAsOwner } from './asOwner.mjs';
import { runningShop } from './shop.mjs';

export async function newShop() {
  const code = await runAsOwner('newShop.js', [], { read: true });
  if (!code) return;
  const url = runningShop()?.url ?? 'https://YOUR-SERVER';
  console.log(
    `Setup code for one more shop: ${code}\nIts lead opens ${url}/new-shop and enters it. It works once, within 7 days.`,
  );
}
