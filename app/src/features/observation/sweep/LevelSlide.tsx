import { memo, useRef, useState } from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import { levels } from '@slate-path/core/observation/sweep/levels';
import { OarMarks } from '../../../parts/OarMarks';
import { usePalette } from '../../../theme/theme';
import { radius, target } from '../../../theme/tokens';

interface LevelSlideProps {
  /** Whose level it is. */
  name: string;
  level: number | null;
  levelNames: readonly string[];
  onLevel: (level: number | null) => void;
}

/** The least that is not a tap but a slide, in pixels. */
const slideFrom = 8;

interface Point {
  clientX: number;
  pointerId: number;
  currentTarget: { setPointerCapture(id: number): void; getBoundingClientRect(): { left: number } };
}

/** Four levels side by side: tapped, or slid to with the thumb; the same tapped again takes it away. */
export const LevelSlide = memo(function LevelSlide({ name, level, levelNames, onLevel }: LevelSlideProps) {
  const palette = usePalette();
  const width = useRef(levels.length * target);
  const from = useRef<number | null>(null);
  const [sliding, setSliding] = useState<number | null>(null);
  const shown = sliding ?? level;
  const at = ({ clientX, currentTarget }: Point) => {
    const share = (clientX - currentTarget.getBoundingClientRect().left) / width.current;
    return Math.min(Math.max(Math.floor(share * levels.length), 0), levels.length - 1);
  };
  const web = {
    onPointerDown: (event: Point) => {
      from.current = event.clientX;
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: (event: Point) => {
      if (from.current === null || Math.abs(event.clientX - from.current) < slideFrom) return;
      setSliding(at(event));
    },
    onPointerUp: (event: Point) => {
      if (from.current === null) return;
      const next = at(event);
      const slid = Math.abs(event.clientX - from.current) >= slideFrom;
      from.current = null;
      setSliding(null);
      onLevel(!slid && next === level ? null : next);
    },
    onPointerCancel: () => {
      from.current = null;
      setSliding(null);
    },
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
      if (by === 0 && !/^[0-3]$/.test(event.key)) return;
      event.preventDefault();
      onLevel(by === 0 ? Number(event.key) : Math.min(Math.max((level ?? (by > 0 ? -1 : 4)) + by, 0), 3));
    },
  } as object;
  return (
    <View
      role="slider"
      tabIndex={0}
      testID="level-slide"
      aria-label={`${name}: ${level === null ? 'not set' : (levelNames[level] ?? '')}`}
      aria-valuemin={0}
      aria-valuemax={3}
      aria-valuenow={level ?? undefined}
      aria-valuetext={level === null ? 'not set' : levelNames[level]}
      onLayout={({ nativeEvent: { layout } }: LayoutChangeEvent) => {
        width.current = layout.width;
      }}
      style={[
        {
          flexDirection: 'row',
          width: levels.length * target,
          height: target,
          borderRadius: radius.control,
          borderWidth: 1,
          borderColor: palette.line,
          overflow: 'hidden',
        },
        { touchAction: 'pan-y', cursor: 'pointer' } as object,
      ]}
      {...web}
    >
      {levels.map((one) => {
        const chosen = one === shown;
        return (
          <View
            key={one}
            style={{
              flex: 1,
              alignItems: 'center',
              justifyContent: 'center',
              pointerEvents: 'none',
              backgroundColor: chosen ? palette.slate : palette.surface,
            }}
          >
            <OarMarks level={one} tone={chosen ? 'onSlate' : 'inkQuiet'} />
          </View>
        );
      })}
    </View>
  );
});
