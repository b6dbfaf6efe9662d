import { useState } from 'react';
import type { Order } from '@stennet/core/contract';
import type { SheetBrief } from '@stennet/core/contract/work';
import type { AppError } from '@stennet/core/errors';
import { JOB_KINDS, type JobKind } from '@stennet/core/order';
import { jointKindText } from '@stennet/core/procedure';
import { asAppError } from '@/data';
import { addJob, useSheetsForJob } from '@/data/orders';
import { newId } from '@/platform/ids';
import { BigButton, ChoiceField, Line, Loading, Notice, Section, TextField } from '@/ui';
import { text } from '../text';

/** A job by its kind: its joints, each with the sheets that the library has for this engine. */
export function AddJob({ order }: { order: Order }) {
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState<JobKind | null>(null);
  if (!open)
    return <BigButton text={text.addJob} look="plain" size="desk" onPress={() => setOpen(true)} />;
  return (
    <Section title={text.addJob}>
      <ChoiceField
        label={text.jobKind}
        value={kind?.id}
        options={JOB_KINDS.map((k) => ({ value: k.id, text: k.title }))}
        onChange={(id) => setKind(JOB_KINDS.find((k) => k.id === id) ?? null)}
      />
      {kind ? (
        <Joints key={kind.id} order={order} kind={kind} onDone={() => setOpen(false)} />
      ) : null}
      <BigButton text={text.cancel} look="quiet" size="desk" onPress={() => setOpen(false)} />
    </Section>
  );
}

/** What a joint is chosen to be: a revision as `sheet:revision`, or none. */
const keyOf = (s: Pick<SheetBrief, 'sheet' | 'revision'>): string => `${s.sheet}:${s.revision}`;
const NONE = 'none';

function Joints({ order, kind, onDone }: { order: Order; kind: JobKind; onDone: () => void }) {
  const { maker, engine } = order.vehicle;
  const [title, setTitle] = useState(kind.title);
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const [error, setError] = useState<AppError | null>(null);
  // Sent again after a lost answer, it is the same job.
  const [id] = useState(newId);
  const [joints] = useState(() => kind.joints.map(newId));
  const found = useSheetsForJob(maker, engine, kind.joints);
  if (found.some((f) => f.isPending)) return <Loading text={text.looking} />;
  const choices = kind.joints.map((k, i) => ({
    kind: k,
    sheets: (found[i]?.data?.sheets ?? []).filter((s) => s.status === 'approved'),
  }));
  // One sheet alone goes along; of look-alikes none is taken for granted.
  const pick = (c: (typeof choices)[number]): string | undefined =>
    chosen[c.kind] ?? (c.sheets.length === 1 && c.sheets[0] ? keyOf(c.sheets[0]) : undefined);
  const ready =
    title.trim() && choices.every((c) => c.sheets.length === 0 || pick(c) !== undefined);
  const add = (): void => {
    const taken = choices.flatMap((c, i) => {
      const sheet = c.sheets.find((s) => keyOf(s) === pick(c));
      return sheet
        ? [
            {
              id: joints[i] ?? newId(),
              name: jointKindText(c.kind),
              sheet: sheet.sheet,
              revision: sheet.revision,
            },
          ]
        : [];
    });
    addJob(order.id, { id, kind: kind.id, title: title.trim(), joints: taken }).then(
      onDone,
      (e: unknown) => setError(asAppError(e)),
    );
  };
  return (
    <>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      {found.some((f) => f.isError) ? (
        <Notice title={asAppError(found.find((f) => f.isError)?.error).message} look="warn" alert />
      ) : null}
      <TextField label={text.jobTitle} value={title} onChange={(t) => setTitle(t.slice(0, 80))} />
      {choices.length > 0 ? <Line strong>{text.jobSheets}</Line> : null}
      {choices.map((c) =>
        c.sheets.length === 0 ? (
          <Line key={c.kind}>{text.noSheet({ kind: jointKindText(c.kind), engine })}</Line>
        ) : (
          <ChoiceField
            key={c.kind}
            label={jointKindText(c.kind)}
            value={pick(c)}
            options={[
              ...c.sheets.map((s) => ({
                value: keyOf(s),
                text: text.takeSheet({ title: s.title, revision: s.revision }),
              })),
              { value: NONE, text: text.leaveOut },
            ]}
            onChange={(value) => setChosen((was) => ({ ...was, [c.kind]: value }))}
          />
        ),
      )}
      <BigButton text={text.addIt} look="plain" size="desk" disabled={!ready} onPress={add} />
    </>
  );
}
