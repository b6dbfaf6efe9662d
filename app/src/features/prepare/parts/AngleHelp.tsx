import { useState } from 'react';
import { flats, swings } from '@stennet/core/prepare';
import { anglesOf, type Sheet } from '@stennet/core/procedure';
import { DRIVES, type Formatter } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { discPath } from '@/data/sheets';
import { openFile } from '@/platform/files';
import { BigButton, ChoiceField, Fold, Line } from '@/ui';
import { text } from '../text';

const ROOMS = ['30', '45', '60', '90', '120'] as const;
const STEPS = ['5', '30', '60'] as const;

/** The sheet's angles in swings for the space there is, and a paper disc to use without a gauge. */
export function AngleHelp({ sheet }: { sheet: Sheet }) {
  const { format } = useSignedIn();
  const [room, setRoom] = useState<(typeof ROOMS)[number]>('60');
  const [step, setStep] = useState<(typeof STEPS)[number]>('30');
  const [drive, setDrive] = useState<(typeof DRIVES)[number]>('1/2');
  const angles = anglesOf(sheet);
  if (angles.length === 0) return null;
  const inSwings = angles.map((deg) => {
    const { swings: n, usableDeg } = swings(deg, Number(room), Number(step));
    const angle = format.angle(deg);
    return n === null
      ? text.noRoom({ angle })
      : text.swing({ angle, count: n, each: `${format.number(Math.min(usableDeg, deg))}°` });
  });
  return (
    <Fold title={inSwings.join(' · ')}>
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
      {angles.map((deg) => (
        <Line key={deg}>{text.flats(flatsOf(deg, format))}</Line>
      ))}
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
  );
}

function flatsOf(deg: number, format: Formatter) {
  const { flats: turned, points12 } = flats(deg);
  return {
    angle: format.angle(deg),
    flats: format.number(turned, 2),
    points: format.number(points12, 2),
  };
}
