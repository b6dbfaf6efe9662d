const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/**
 * The hand on the simulated wrench: to which torque or by which angle it pulls, and what is wrong
 * with the bolt.
 */
export const page = (name: string): string => `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Simulated wrench: ${escaped(name)}</title>
<style>
  body { font: 18px/1.5 sans-serif; max-width: 34rem; margin: 2rem auto; padding: 0 1rem; color: #16211f; background: #f5f2ec }
  label { display: block; margin: 0.8rem 0 } input, select, button { font: inherit; padding: 0.6rem; min-height: 3rem } button { font-weight: 700 }
</style>
<h1>${escaped(name)}</h1>
<p>A stand-in for a digital wrench. It measures nothing: every pull is made up.</p>
<form>
  <label>Pull <select name="unit"><option value="N.m">to a torque, N·m</option><option value="deg">by an angle, °</option></select></label>
  <label>Value <input name="value" type="number" min="5" max="400" value="30" required></label>
  <label>Tight already at, N·m (empty: loose) <input name="from" type="number" min="1" max="390"></label>
  <label>The bolt <select name="how">
    <option value="ok">is sound</option><option value="wrong_lube">is dry or too slippery</option><option value="stick_slip">jerks</option>
    <option value="bottoming">bottoms out</option><option value="cross_thread">is cross-threaded</option><option value="strip">strips</option>
    <option value="liquid_lock">sits on liquid</option><option value="angle_slip">is sound, the angle slips</option></select></label>
  <label>Seconds it takes <input name="seconds" type="number" min="0" max="20" value="3" required></label>
  <button>Pull</button>
</form>
<form name="state">
  <label>Battery, % <input name="battery" type="number" min="0" max="100" value="100" required></label>
  <label>Its display <select name="unit"><option value="">isn’t told</option><option value="N.m">N·m</option><option value="[ft_i].[lbf_av]">lbf·ft</option><option value="[in_i].[lbf_av]">lbf·in</option></select></label>
  <label><input name="zeroing" type="checkbox"> finds its zero</label>
  <label><input name="lost" type="checkbox"> out of reach</label>
  <button>Set</button>
</form>
<p>Its button: <button type="button" data-press="short">short press</button> <button type="button" data-press="long">long press</button></p>
<p role="status"></p>
<script>
  const form = document.querySelector('form'), said = document.querySelector('[role=status]');
  for (const b of document.querySelectorAll('[data-press]')) b.addEventListener('click', () => fetch('/press', { method: 'POST', body: JSON.stringify({ press: b.dataset.press }) }));
  document.forms.state.addEventListener('submit', (e) => {
    e.preventDefault();
    const f = new FormData(e.target), unit = f.get('unit');
    const state = { battery: Number(f.get('battery')), zeroing: f.has('zeroing'), inReach: !f.has('lost'), ...(unit ? { unit } : {}) };
    fetch('/state', { method: 'POST', body: JSON.stringify(state) });
  });
  form.addEventListener('submit', async (e) => {
    e.preventDefault();
    const f = new FormData(form), from = f.get('from');
    const task = { to: { unit: f.get('unit'), value: Number(f.get('value')) }, how: f.get('how'), seconds: Number(f.get('seconds')), ...(from ? { from: Number(from) } : {}) };
    const reply = await fetch('/turn', { method: 'POST', body: JSON.stringify(task) }).then((r) => r.json()).catch(() => ({ problem: 'The wrench is off.' }));
    said.textContent = reply.problem ?? reply.pull.peak.value + ' N·m' + (reply.pull.turned ? ', turned ' + reply.pull.turned.value + '°' : '') + '. Heard by ' + reply.heardBy + '.';
  });
</script>
</html>`;
