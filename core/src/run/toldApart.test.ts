import { runRecord } from '../record';
import { Technician, headSheet, refusal } from '../testing';
import { next } from './next';

describe('told apart at the vehicle', () => {
  const started = (): Technician => {
    const t = new Technician(headSheet);
    t.step();
    return t;
  };
  test('an answer of the sheet that leads to it goes into the record, and changes nothing else', () => {
    const t = started();
    const before = next(t.state);
    t.do('variantAnswered', {
      question: 'Which bolt do you have?',
      answer: 'hex head, M10',
    });
    expect(next(t.state)).toEqual(before);
    expect(runRecord(headSheet, t.state.events).told).toEqual([
      {
        question: 'Which bolt do you have?',
        answer: 'hex head, M10',
        person: t.place.person,
      },
    ]);
  });
  test.each([
    ['Which bolt do you have?', '12-point head, M11', 'SHEET_MISMATCH'],
    ['Which bolt do you have?', 'a green one', 'ANSWER_UNKNOWN'],
    ['Is it green?', 'hex head, M10', 'ANSWER_UNKNOWN'],
  ])('%s %s is refused', (question, answer, code) => {
    const t = started();
    expect(refusal(() => t.do('variantAnswered', { question, answer }))).toBe(code);
  });
});
