import { gzipSync } from 'node:zlib';
import request from 'supertest';
import { verifyRecordFile } from '@stennet/core/record';
import { fitsKey } from './keys/keys';
import { CheckedRecords, type Found } from './record/checkedRecords';
import { fileOf, finishedRun, sign, signing } from '../test/records';
import { house, jonah } from '../test/theShop';
import { HALDEN } from '../test/world';

const FINE: Found = { fault: null, pending: 0 };

describe('what was found in a record is remembered', () => {
  test('once for the same; again for anything else, and where it could not be found', async () => {
    const checked = new CheckedRecords();
    const work = jest.fn(() => Promise.resolve(FINE));
    const both = await Promise.all([checked.find(['a', 1], work), checked.find(['a', 1], work)]);
    expect(both).toEqual([FINE, FINE]);
    expect(work).toHaveBeenCalledTimes(1);
    await checked.find(['a', '1'], work);
    expect(work).toHaveBeenCalledTimes(2);
    const away = (): Promise<Found> => Promise.reject(new Error('busy'));
    await expect(checked.find(['b'], away)).rejects.toThrow('busy');
    expect(await checked.find(['b'], work)).toEqual(FINE);
    expect(checked.file(['c'], () => gzipSync('one')).equals(gzipSync('one'))).toBe(true);
    expect(checked.file(['c'], () => gzipSync('two')).equals(gzipSync('one'))).toBe(true);
    expect(checked.file(['d'], () => gzipSync('two')).equals(gzipSync('two'))).toBe(true);
  });

  test('a changed entry is found after the record was fine, and fine again once it is put back', async () => {
    const { run, count } = await finishedRun();
    const put = (from: string, to: string) =>
      house.admin.query(
        'update run_event set body = replace(body, $2, $3) where run = $1 and position = $4',
        [run, from, to, count],
      );
    expect((await signing(run)).fault).toBeNull();
    await put('"finished"', '"abandoned"');
    expect((await signing(run)).fault).toContain(`Entry ${count} is the first that fails`);
    expect((await sign(jonah, run, count)).body.error.code).toBe('RECORD_BROKEN');
    await put('"abandoned"', '"finished"');
    await sign(jonah, run, count).expect(200);
  });

  test('the document follows a signature, a name and the repair order', async () => {
    const { run, count } = await finishedRun();
    const before = await fileOf(run);
    expect(await fileOf(run)).toEqual(before);
    expect(before.signatures).toHaveLength(0);
    await sign(jonah, run, count).expect(200);
    expect((await fileOf(run)).signatures).toHaveLength(1);
    const rename = (name: string) =>
      house.admin.query('update membership set name = $1 where account = $2 and shop = $3', [
        name,
        jonah.person,
        HALDEN,
      ]);
    await rename('Jonah P.');
    const renamed = await fileOf(run);
    expect(renamed.people[jonah.person]).toBe('Jonah P.');
    expect(verifyRecordFile(renamed, fitsKey(renamed.shop.key))).toBeNull();
    await rename('Jonah Pike');
    expect((await fileOf(run)).people[jonah.person]).toBe('Jonah Pike');
  });

  test('to who unpacks nothing it goes out unpacked', async () => {
    const { run } = await finishedRun();
    const ask = (accepted: string) =>
      request(house.app)
        .get(`/api/runs/${run}/record?form=json`)
        .set('Host', 'shop.test')
        .set('Cookie', jonah.cookie)
        .set('Accept-Encoding', accepted)
        .expect(200);
    const [packed, plain] = [await ask('gzip'), await ask('identity')];
    expect(packed.headers['content-encoding']).toBe('gzip');
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(plain.body).toEqual(packed.body);
  });
});
