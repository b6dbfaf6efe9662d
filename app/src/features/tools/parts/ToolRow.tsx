import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { ShopTool } from '@stennet/core/prepare';
import { units, type Formatter } from '@stennet/core/quantity';
import { useSignedIn, type KeptTool } from '@/data';
import { now } from '@/platform/clock';
import { BigButton, Line, useInks } from '@/ui';
import { text } from '../text';

const SOON_DAYS = 30;

export function ToolRow({ kept, onEdit }: { kept: KeptTool; onEdit: (() => void) | null }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const { tool, retired } = kept;
  const router = useRouter();
  const isWrench = 'calibratedUntil' in tool;
  const calibration = retired ? null : calibrationOf(tool, format);
  return (
    <View style={[styles.row, { borderTopColor: inks.line, opacity: retired ? 0.7 : 1 }]}>
      <Text style={{ fontSize: 17, fontWeight: '700', color: inks.ink }}>{tool.name}</Text>
      <Line>
        {[text.kinds[tool.kind], ...factsOf(tool, format), retired ? text.retired : '']
          .filter(Boolean)
          .join(' · ')}
      </Line>
      {calibration ? (
        <Text
          style={{
            fontSize: 16,
            color: calibration.warn ? inks.warnText : inks.inkSoft,
            fontWeight: calibration.warn ? '700' : '400',
          }}
        >
          {calibration.warn ? `▲ ${calibration.words}` : calibration.words}
        </Text>
      ) : null}
      {onEdit || isWrench ? (
        <View style={styles.edit}>
          {isWrench ? (
            <BigButton
              text={text.calibration}
              label={text.calibrationOf({ name: tool.name })}
              look="quiet"
              size="desk"
              onPress={() => router.navigate(`/tools/${kept.id}`)}
            />
          ) : null}
          {isWrench ? (
            <BigButton
              text={text.used}
              label={text.usedOf({ name: tool.name })}
              look="quiet"
              size="desk"
              onPress={() =>
                router.navigate({ pathname: '/history', params: { by: 'wrench', tool: kept.id } })
              }
            />
          ) : null}
          {onEdit ? (
            <BigButton
              text={text.change}
              label={text.edit({ name: tool.name })}
              look="quiet"
              size="desk"
              onPress={onEdit}
            />
          ) : null}
        </View>
      ) : null}
    </View>
  );
}

export function calibrationOf(
  tool: ShopTool,
  format: Formatter,
): { words: string; warn: boolean } | null {
  if (!('calibratedUntil' in tool)) return null;
  const day = format.date(new Date(`${tool.calibratedUntil}T12:00:00Z`));
  const left = (Date.parse(`${tool.calibratedUntil}T23:59:59Z`) - now().getTime()) / 86_400_000;
  return left < 0
    ? { words: text.overdue({ day }), warn: true }
    : left < SOON_DAYS
      ? { words: text.soon({ day }), warn: true }
      : { words: text.until({ day }), warn: false };
}

export function factsOf(tool: ShopTool, format: Formatter): string[] {
  const mm = (value: number): string => format.quantity({ value, unit: 'mm' }).text;
  switch (tool.kind) {
    case 'click':
    case 'dial':
    case 'digital':
      return [
        text.range({
          from: format.number(tool.min, 2),
          to: format.quantity({ value: tool.max, unit: tool.unit }).text,
          step: `${format.number(tool.graduation, 2)} ${units[tool.unit].symbol}`,
        }),
        tool.tolerancePercent ? text.tolerance({ p: format.number(tool.tolerancePercent) }) : '',
        tool.drive ? text.drive({ d: tool.drive }) : '',
        tool.lengthMm ? text.long({ mm: mm(tool.lengthMm) }) : '',
      ];
    case 'bar':
      return [text.drive({ d: tool.drive }), text.long({ mm: mm(tool.lengthMm) })];
    case 'angleGauge':
      return [text.drive({ d: tool.drive }), text.step({ deg: `${format.number(tool.stepDeg)}°` })];
    case 'crowfoot':
      return [
        text.drive({ d: tool.drive }),
        text.crowfoot({ opening: tool.opening, mm: mm(tool.offsetMm) }),
      ];
    case 'drawingTool':
      return [text.ceiling({ fits: tool.fits, most: format.quantity(tool.ceiling).text })];
    case 'crankLock':
      return [tool.fits, text.holds[tool.holds]];
    case 'stand':
      return [text.rated({ kg: format.number(tool.ratedKg) })];
  }
}

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, paddingTop: 10, gap: 4 },
  edit: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
