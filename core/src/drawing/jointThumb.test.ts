import { parse } from 'valibot';
import { ThumbSchema } from '../contract/thumbReply';
import { demoSheets } from '../testing';
import { jointThumb } from './jointThumb';

test.each(demoSheets.map((s) => [s.id, s] as const))(
  '%s: every seat lies within its small drawing, which says nothing in words',
  (_id, sheet) => {
    const thumb = jointThumb(sheet);
    const { x, y, width, height } = thumb.drawing;
    expect(thumb.seats.map((s) => s.seat)).toEqual(sheet.seats.map((s) => s.id));
    for (const at of thumb.seats) {
      expect(at.x).toBeGreaterThan(x);
      expect(at.x).toBeLessThan(x + width);
      expect(at.y).toBeGreaterThan(y);
      expect(at.y).toBeLessThan(y + height);
    }
    const sent: unknown = JSON.parse(JSON.stringify(thumb));
    expect(parse(ThumbSchema, sent)).toEqual(sent);
  },
);
