import { useState } from 'react';
import { AppError } from '@stennet/core/errors';
import { adapterTop } from '@stennet/core/drawing';
import { adapterSetting, convert, inUnit, type AdapterSetting } from '@stennet/core/quantity';
import { asAppError, useSignedIn } from '@/data';
import {
  ChoiceField,
  DrawingView,
  FieldRow,
  Line,
  Notice,
  Section,
  TextField,
  ValueRow,
} from '@/ui';
import { readLength, readTorque } from './read';
import { text } from '../text';

const ANGLES = ['0', '45', '90', '135'] as const;

/** What the wrench must show with a crowfoot on, at any lengths and angle. */
export function CrowfootSetting() {
  const { me, format } = useSignedIn();
  const [torqueTyped, setTorque] = useState('');
  const [lengthTyped, setLength] = useState('');
  const [offsetTyped, setOffset] = useState('');
  const [angle, setAngle] = useState<(typeof ANGLES)[number]>('0');
  const torque = readTorque(torqueTyped, me.shop.torqueUnit);
  const lengthMm = readLength(lengthTyped);
  const offsetMm = readLength(offsetTyped);
  const lever =
    lengthMm !== undefined && offsetMm !== undefined
      ? { lengthMm, offsetMm, angleDeg: Number(angle) }
      : null;
  const result = torque && lever ? settingOf(convert(torque, 'N.m'), lever) : null;
  return (
    <Section title={text.crowfoot}>
      <TextField
        label={text.torque}
        value={torqueTyped}
        onChange={setTorque}
        hint={text.torqueHint}
        problem={torqueTyped.trim() && !torque ? text.torqueWrong : undefined}
      />
      <FieldRow>
        <TextField
          label={text.length}
          value={lengthTyped}
          onChange={setLength}
          problem={lengthTyped.trim() && lengthMm === undefined ? text.lengthWrong : undefined}
        />
        <TextField
          label={text.offset}
          value={offsetTyped}
          onChange={setOffset}
          problem={offsetTyped.trim() && offsetMm === undefined ? text.lengthWrong : undefined}
        />
      </FieldRow>
      <Line>{text.lever}</Line>
      <ChoiceField
        label={text.angle}
        value={angle}
        options={ANGLES.map((a) => ({ value: a, text: text.angles[a] }))}
        onChange={setAngle}
      />
      {lever ? (
        <DrawingView
          drawing={adapterTop(lever.lengthMm, lever.offsetMm, lever.angleDeg)}
          label={text.crowfootDrawing}
          width="100%"
          height={110}
        />
      ) : null}
      {result instanceof AppError ? (
        <Notice title={result.message} text={result.fix} look="warn" alert />
      ) : result && torque ? (
        <>
          <ValueRow
            name={text.setting}
            value={
              format.inHand(inUnit({ value: result.settingNm, unit: 'N.m' }, torque.unit)).text
            }
          />
          <Line>
            {text.ignored({ percent: format.number(Math.abs(result.errorIfIgnoredPercent), 0) })}
          </Line>
        </>
      ) : (
        <Line>{text.crowfootEmpty}</Line>
      )}
    </Section>
  );
}

function settingOf(
  torqueNm: number,
  lever: { lengthMm: number; offsetMm: number; angleDeg: number },
): AdapterSetting | AppError {
  try {
    return adapterSetting(torqueNm, lever);
  } catch (error) {
    return asAppError(error);
  }
}
