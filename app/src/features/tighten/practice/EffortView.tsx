import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Path } from 'react-native-svg';
import type { Felt, PracticeRun } from '@/data/practice';
import { useInks } from '@/ui';
import { text } from '../text';
import { EFFORT, effortPaths } from './effort';

/** How hard it is at the grip, turn by turn; dotted what the bolt before was like. */
export function EffortView({ practice }: { practice: PracticeRun }) {
  const inks = useInks();
  const box = useRef<HTMLElement>(null);
  useEffect(() => {
    const show = ({ curve, before }: Felt): void => {
      const [was, is] = box.current?.querySelectorAll('path') ?? [];
      const paths = effortPaths(curve, before);
      was?.setAttribute('d', paths.before || 'M0 0');
      is?.setAttribute('d', paths.now || 'M0 0');
    };
    show(practice.felt.getState());
    return practice.felt.subscribe(show);
  }, [practice]);
  return (
    <View>
      <Text style={{ fontSize: 13, lineHeight: 18, color: inks.inkSoft }}>
        {text.practice.effort}
      </Text>
      <View
        ref={box as never}
        role="img"
        aria-label={text.practice.effortLabel}
        style={{ height: EFFORT.height, borderBottomWidth: 2, borderBottomColor: inks.line }}
      >
        <Svg
          width="100%"
          height="100%"
          viewBox={`0 0 ${EFFORT.width} ${EFFORT.height}`}
          preserveAspectRatio="none"
          aria-hidden
        >
          <Path d="M0 0" fill="none" stroke={inks.inkSoft} strokeWidth={2} strokeDasharray="2 4" />
          <Path d="M0 0" fill="none" stroke={inks.brand} strokeWidth={3} strokeLinejoin="round" />
        </Svg>
      </View>
    </View>
  );
}
