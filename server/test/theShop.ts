import request from 'supertest';
import { House, ORIGIN, type Session } from './world';

/**
 * The house of a file of tests: it opens before them and closes after, with people of the demo
 * world signed in.
 */
export let house: House;
/** The lead. */
export let ines: Session;
/** Technicians. */
export let jonah: Session;
export let mei: Session;
/** Of the other shop. */
export let tomas: Session;
/** The service adviser. */
export let petra: Session;

/** Everybody signs in, once more if need be: a test that sets the clock far ends sessions. */
export async function signEverybodyIn(): Promise<void> {
  ines = await house.signIn('Ines Corte');
  jonah = await house.signIn('Jonah Pike');
  mei = await house.signIn('Mei Sandoval');
  petra = await house.signIn('Petra Voll');
  tomas = await house.signIn('Tomas Brandt');
}

beforeAll(async () => {
  house = await new House().open();
  await signEverybodyIn();
});
afterAll(() => house.close());

/** Asked by no one who is signed in. */
export const post = (path: string, body: object) =>
  request(house.app).post(path).set('Host', 'shop.test').set('Origin', ORIGIN).send(body);

/** What a refused request must leave as it was. */
export const rowsStored = async (): Promise<string> =>
  JSON.stringify(
    (
      await house.admin.query(
        'select (select count(*) from run) as runs, (select count(*) from run_event) as events, (select count(*) from repair_order) as orders',
      )
    ).rows,
  );
