import { clean } from './axe';
import { driveTo, lobesSmooth } from './drive';
import { expect, test } from './house';

test(
  'taking apart, looking, measuring and trying in a run are clean for axe, light and dark',
  { tag: ['@phone', '@long'] },
  async ({ technician: t, house }) => {
    await t.signIn();
    const id = (n: number): string => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
    await t.page.goto(`${house.url}/joints/${id(437)}?part=takeApart&of=left`);
    await expect(t.button('Start teardown')).toBeVisible();
    await clean(t, 'prepare to take apart');
    await t.button('Start teardown').click();
    await driveTo(t, 'Take a photo first');
    await clean(t, 'photo');
    await t.more('Rags, dropped parts, photos');
    await clean(t, 'on the way');
    await t.button('Back to the job').click();
    await driveTo(t, 'Temperature, °C');
    await t.field('Temperature, °C', '44');
    await t.pull('Record');
    await t.button('Report a problem').click();
    await t.pull('Broke');
    await expect(t.page.getByText('Attempt 1 of 5')).toBeVisible();
    await clean(t, 'ladder');
    await t.pull('It worked');
    await t.pull('It’s out');
    await driveTo(t, /Where are they kept/);
    await clean(t, 'bags');
    await t.page.goto(`${house.url}/joints/${id(422)}`);
    await t.button('8 new ones are here').click();
    await t.button('Start tightening').click();
    await driveTo(t, 'Cam lobes and followers, each one.');
    await clean(t, 'check by place');
    await lobesSmooth(t, ['1 in', '1 out', '2 in', '2 out', '3 in', '3 out']);
    await driveTo(t, 'Head flatness, gasket face: straightedge and feeler gauge.');
    await clean(t, 'measured step');
  },
);
test(
  'what stands beside a pull is clean for axe: several, one fastener, map and hands, very large, locked',
  { tag: ['@phone', '@long'] },
  async ({ technician: t }) => {
    await t.signIn();
    await t.startHead();
    await t.pull('Moved');
    await t.button(/^More$/).click();
    await clean(t, 'more');
    await t.button('Several at once').click();
    await clean(t, 'several');
    await t.button('Cancel').click();
    await t.more('Check one bolt');
    await clean(t, 'which one');
    await t.page.getByRole('radio', { name: 'bolt 1', exact: true }).click();
    await clean(t, 'one fastener');
    await t.button('I did something that isn’t on the sheet').click();
    await clean(t, 'besides');
    await t.button('Cancel').click();
    await t.button('Back to the job').click();
    await t.button('Report a problem').click();
    await t.button('I tightened a different bolt').click();
    await clean(t, 'another one');
    await t.button('Cancel').click();
    await t.more('Map, sound, voice');
    await t.button(/^Extra large, readable from 6 ft/).click();
    await clean(t, 'map and hands');
    await t.button('Lock the screen against drops').click();
    await clean(t, 'very large, locked');
  },
);
