import { newDraft } from '../draft';

export const emptyDraft = newDraft({
  id: 'ck12-head-7f3a',
  maker: 'Corvane',
  model: 'Kestrel',
  engine: 'CK12',
  kind: 'cylinder-head',
  title: '',
  today: '2026-03-18',
});
