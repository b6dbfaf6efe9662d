import { useState } from 'react';
import { flats, swings } from '@stennet/core/prepare';
import { anglesOf, type Sheet } from '@stennet/core/procedure';
import { DRIVES } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { discPath } from '@/data/sheets';
import { openFile } from '@/platform/files';
import { BigButton, ChoiceField, Fold, Line, Section } from '@/ui';
import { text } from '../text';

const ROOMS = ['30', '45', '60', '90', '120'] as const;
const STEPS = ['5', '30', '60'] as const;

/** How the sheet's angles go in the room there is, and a disc of paper for who has no gauge. */
export function AngleHelp({ sheet }: { sheet: Sheet }) {
  const { format } = useSignedIn();
  const [room, setRoom] = useState<(typeof ROOMS)[number]>('60');
  const [step, setStep] = useState<(typeof STEPS)[number]>('30');
  const [drive, setDrive] = useState<(typeof DRIVES)[number]>('1/2');
  const angles = anglesOf(sheet);
  if (angles.length === 0) return null;
  return (
    <Section title={text.angles}>
      {angles.map((deg) => {
        const { swings: n, usableDeg } = swings(deg, Number(room), Number(step));
        const count = flats(deg);
        return (
          <Line key={deg} strong>
            {`${n === null ? text.noRoom({ angle: format.angle(deg) }) : text.swing({ angle: format.angle(deg), count: n, each: `${format.number(Math.min(usableDeg, deg))}°` })} · ${text.flats({ flats: format.number(count.flats, 2), points: format.number(count.points12, 2) })}`}
          </Line>
        );
      })}
      <Fold title={text.tight}>
        <ChoiceField
          label={text.room}
          value={room}
          options={ROOMS.map((r) => ({ value: r, text: `${r}°` }))}
          onChange={setRoom}
        />
        <ChoiceField
          label={text.step}
          value={step}
          options={STEPS.map((s) => ({ value: s, text: text.steps[s] }))}
          onChange={setStep}
        />
        <ChoiceField
          label={text.drive}
          value={drive}
          options={DRIVES.map((d) => ({ value: d, text: d }))}
          onChange={setDrive}
        />
        <BigButton
          text={text.disc}
          look="quiet"
          size="desk"
          onPress={() => openFile(discPath(sheet, drive), 'show')}
        />
      </Fold>
    </Section>
  );
}
