import { createHash, randomBytes } from 'node:crypto';
import request from 'supertest';
import sharp from 'sharp';
import { house, jonah } from '../test/theShop';
import { ORIGIN, type Session } from '../test/world';

const PIECE = 262_144;
const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
const piece = (who: Session, bytes: Buffer, start: number, end: number, sent = hashOf(bytes)) =>
  request(house.app)
    .post(`/api/photos/${sent}?start=${start}&size=${bytes.length}`)
    .set('Host', 'shop.test')
    .set('Origin', ORIGIN)
    .set('Cookie', who.cookie)
    .set('Content-Type', 'application/octet-stream')
    .send(bytes.subarray(start, end));

async function sendAll(who: Session, bytes: Buffer) {
  let reply = await piece(who, bytes, 0, Math.min(PIECE, bytes.length));
  while (reply.status === 200 && !reply.body.photo)
    reply = await piece(
      who,
      bytes,
      reply.body.have,
      Math.min(reply.body.have + PIECE, bytes.length),
    );
  return reply;
}

/** A photo with a place in it, larger than is kept. */
async function photo(): Promise<Buffer> {
  const noise = randomBytes(2400 * 1000 * 3);
  return sharp(noise, { raw: { width: 2400, height: 1000, channels: 3 } })
    .withExif({
      IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' },
      IFD0: { Make: 'Somebody', Orientation: '6' },
    })
    .jpeg({ quality: 40 })
    .toBuffer();
}

describe('a photo', () => {
  test('comes in pieces, is made smaller and drawn again, and has lost where it was taken', async () => {
    const bytes = await photo();
    expect(bytes.length).toBeGreaterThan(2 * PIECE);
    const { body } = await sendAll(jonah, bytes);
    expect(Math.max(body.width, body.height)).toBe(1600);
    const kept = await jonah.get(`/api/photos/${body.photo}`).buffer(true);
    expect(kept.headers['content-type']).toBe('image/jpeg');
    expect(hashOf(kept.body)).toBe(body.photo);
    const { exif, format } = await sharp(kept.body as Buffer).metadata();
    expect([exif, format]).toEqual([undefined, 'jpeg']);
    const { rows } = await house.admin.query('select 1 from photo_piece');
    expect(rows).toHaveLength(0);
  });

  test('goes on where the network stopped, pieces doubled and out of order', async () => {
    const bytes = await photo();
    expect((await piece(jonah, bytes, 0, PIECE)).body).toMatchObject({ have: PIECE, photo: null });
    expect(
      (await piece(jonah, bytes, 2 * PIECE, Math.min(3 * PIECE, bytes.length))).body.have,
    ).toBe(PIECE);
    expect((await piece(jonah, bytes, 0, PIECE)).body.have).toBe(PIECE);
    // An empty piece asks how far it came.
    expect((await piece(jonah, bytes, PIECE, PIECE)).body.have).toBe(PIECE);
    expect((await sendAll(jonah, bytes)).body.photo).toMatch(/^[0-9a-f]{64}$/);
  });

  test.each([
    [
      'a drawing with a script in it',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'),
    ],
    ['a page', Buffer.from('<html><script>alert(1)</script></html>')],
    ['nonsense', randomBytes(3000)],
    ['a film', Buffer.from('GIF89a' + 'x'.repeat(200))],
  ])('%s is refused in words', async (_what, bytes) => {
    const reply = await sendAll(jonah, bytes);
    expect([reply.status, reply.body.error.code]).toEqual([422, 'PHOTO_KIND']);
  });

  test('bytes that are not what they are called are thrown away', async () => {
    const bytes = await photo();
    const small = bytes.subarray(0, 1000);
    expect((await piece(jonah, small, 0, 1000, 'a'.repeat(64))).body.error.code).toBe(
      'PHOTO_BROKEN',
    );
    expect(
      (await house.admin.query('select 1 from photo_piece where sent = $1', ['a'.repeat(64)])).rows,
    ).toHaveLength(0);
  });

  test('another shop does not see it, and a piece past its end is refused', async () => {
    const { body } = await sendAll(jonah, await photo());
    const tomas = await house.signIn('Tomas Brandt');
    expect((await tomas.get(`/api/photos/${body.photo}`)).status).toBe(404);
    expect((await piece(jonah, Buffer.alloc(10, 1), 20, 30)).status).toBe(400);
    expect((await tomas.get(`/api/photos/../../etc/passwd`)).status).toBe(404);
  });
});
