import { useState, type ReactNode } from 'react';
import { Modal, Pressable, StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { Calendar, TimePicker } from 'react-native-paper-dates';
import { commonText } from '@/language/common';
import { useInks } from '@/ui';

/** What a field is filled in by, over the page; Escape or a tap beside it closes it. */
function FieldDialog({
  label,
  onClose,
  onTake,
  children,
}: {
  label: string;
  onClose: () => void;
  /** Left out: the choice itself takes it. */
  onTake?: () => void;
  children: ReactNode;
}) {
  const inks = useInks();
  return (
    <Modal transparent visible onRequestClose={onClose} {...({ 'aria-label': label } as object)}>
      <Pressable aria-hidden tabIndex={-1} onPress={onClose} style={styles.beside} />
      <View pointerEvents="box-none" style={styles.middle}>
        <View style={[styles.box, { backgroundColor: inks.card, borderColor: inks.line }]}>
          {children}
          <View style={styles.buttons}>
            <Button onPress={onClose}>{commonText.cancel}</Button>
            {onTake ? <Button onPress={onTake}>{commonText.ok}</Button> : null}
          </View>
        </View>
      </View>
    </Modal>
  );
}

export function CalendarDialog({
  label,
  locale,
  day,
  onClose,
  onTake,
}: {
  label: string;
  locale: string;
  day: Date | undefined;
  onClose: () => void;
  onTake: (day: Date) => void;
}) {
  return (
    <FieldDialog label={commonText.calendar({ label })} onClose={onClose}>
      <View style={styles.calendar}>
        <Calendar
          mode="single"
          locale={locale}
          date={day}
          onChange={({ date }) => date && onTake(date)}
        />
      </View>
    </FieldDialog>
  );
}

export interface ClockTime {
  hours: number;
  minutes: number;
}

export function TimeDialog({
  locale,
  at,
  onClose,
  onTake,
}: {
  locale: string;
  at: ClockTime;
  onClose: () => void;
  onTake: (time: ClockTime) => void;
}) {
  const [time, setTime] = useState(at);
  const [focused, setFocused] = useState<'hours' | 'minutes'>('hours');
  return (
    <FieldDialog label={commonText.pickTime} onClose={onClose} onTake={() => onTake(time)}>
      <TimePicker
        locale={locale}
        inputType="keyboard"
        focused={focused}
        hours={time.hours}
        minutes={time.minutes}
        onFocusInput={setFocused}
        onChange={(next) => {
          if (next.focused) setFocused(next.focused);
          setTime({ hours: next.hours, minutes: next.minutes });
        }}
      />
    </FieldDialog>
  );
}

const styles = StyleSheet.create({
  beside: { ...StyleSheet.absoluteFill, backgroundColor: 'rgba(10, 14, 18, 0.55)' },
  middle: { ...StyleSheet.absoluteFill, alignItems: 'center', justifyContent: 'center' },
  box: { borderRadius: 16, borderWidth: 1, padding: 16, maxWidth: '94%' },
  calendar: { width: 340, maxWidth: '100%', height: 380 },
  buttons: { flexDirection: 'row', justifyContent: 'flex-end', gap: 8, paddingTop: 8 },
});
