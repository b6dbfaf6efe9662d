import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path, Text as SvgText } from 'react-native-svg';
import type { Drawing, Shape } from '@stennet/core/drawing';
import { FONT, MONO, useInks, type Colours } from './theme';

interface Props {
  drawing: Drawing;
  /** What someone who cannot see it is told. */
  label: string;
  width: number | `${number}%`;
  height: number | `${number}%`;
}

/** A drawing computed in core, in the theme's colors. The same shapes go on paper. */
export function DrawingView({ drawing, label, width, height }: Props) {
  const inks = useInks();
  return (
    <View role="img" aria-label={label} style={{ width, height }}>
      <Svg
        width="100%"
        height="100%"
        viewBox={`${drawing.x} ${drawing.y} ${drawing.width} ${drawing.height}`}
        aria-hidden
      >
        {keyed(drawing.shapes).map(([key, shape]) => (
          <ShapeView key={key} shape={shape} inks={inks} />
        ))}
      </Svg>
    </View>
  );
}

/**
 * Each shape under its own content: of a map with hundreds, only what has changed is drawn again
 * after a pull.
 */
function keyed(shapes: readonly Shape[]): [string, Shape][] {
  const seen = new Map<string, number>();
  return shapes.map((shape) => {
    const content = JSON.stringify(shape);
    const count = (seen.get(content) ?? 0) + 1;
    seen.set(content, count);
    return [`${content}#${count}`, shape];
  });
}

/** The same key is the same content: nothing but the theme's colors can have changed. */
const ShapeView = memo(ShapeOf, (was, is) => was.inks === is.inks);

function ShapeOf({ shape, inks }: { shape: Shape; inks: Colours }) {
  switch (shape.kind) {
    case 'circle':
      return (
        <Circle
          cx={shape.x}
          cy={shape.y}
          r={shape.r}
          fill={inks[shape.fill]}
          stroke={inks[shape.stroke]}
          strokeWidth={shape.width}
        />
      );
    case 'path':
      return (
        <Path
          d={shape.d}
          fill={inks[shape.fill]}
          stroke={inks[shape.stroke]}
          strokeWidth={shape.width}
          strokeLinejoin="round"
          strokeLinecap={shape.round ? 'round' : 'butt'}
          {...(shape.dash ? { strokeDasharray: [...shape.dash] } : {})}
        />
      );
    case 'text':
      return (
        <SvgText
          x={shape.x}
          y={shape.y}
          fontSize={shape.size}
          fill={inks[shape.ink]}
          textAnchor={shape.anchor}
          fontWeight={shape.bold || shape.mono ? '700' : '400'}
          fontFamily={shape.mono ? MONO : FONT}
        >
          {shape.text}
        </SvgText>
      );
  }
}
