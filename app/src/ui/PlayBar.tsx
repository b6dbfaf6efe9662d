import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { BigButton } from './BigButton';
import { RangeField } from './RangeField';

const STEP_MS = 700;

/** Something that went step by step, at any of its moments. It plays only when asked to. */
export function PlayBar({
  at,
  of,
  said,
  words,
  onAt,
}: {
  at: number;
  of: number;
  /** What a screen reader says of where it is. */
  said: string;
  words: { play: string; pause: string; scrub: string };
  onAt: (at: number) => void;
}) {
  const [isPlaying, setPlaying] = useState(false);
  const isOver = at >= of;
  useEffect(() => {
    if (!isPlaying || isOver) return;
    const next = setTimeout(() => onAt(at + 1), STEP_MS);
    return () => clearTimeout(next);
  }, [isPlaying, isOver, at, onAt]);
  return (
    <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
      <BigButton
        text={isPlaying && !isOver ? words.pause : words.play}
        look="plain"
        size="desk"
        onPress={() => {
          if (isOver) onAt(0);
          setPlaying(!isPlaying || isOver);
        }}
      />
      <RangeField
        label={words.scrub}
        value={at}
        max={of}
        said={said}
        onChange={(to) => {
          setPlaying(false);
          onAt(to);
        }}
      />
    </View>
  );
}
