import { type Answer, type PullWindows, showMinutes } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import Svg, { Line, Path } from 'react-native-svg';
import { Rail } from '@/clock/Rail';
import { ticksIn, tickStep } from '@/clock/ticks';
import { useWords } from '@/person/PersonContext';
import { colour } from '@/theme/theme';
import { PULL_TIMING_WORDS } from '@/words';

const WIDTH = 320;
const HEIGHT = 120;

/** A small true picture of an answer; questions without one show none. */
export function AnswerPicture({ name, answer }: { name: string; answer: Answer }) {
  if (name === 'windows') return <WindowsPicture windows={answer as unknown as PullWindows} />;
  if (name === 'facets') return <FacetsPicture pieces={Number(answer.pieces)} />;
  return null;
}

function WindowsPicture({ windows }: { windows: PullWindows }) {
  const spans = (['wet', 'touch', 'dry'] as const).flatMap((school) =>
    windows[school] ? [{ school, span: windows[school] }] : [],
  );
  const end = 1.3 * Math.max(windows.throughMin, windows.touchMin);
  return (
    <Rail
      from={0}
      to={end}
      now={null}
      ticks={ticksIn(0, end, tickStep(end, 5)).map((tick) => ({ at: tick, label: showMinutes(tick) }))}
      bands={spans.map(({ school, span }) => ({
        key: school,
        label: PULL_TIMING_WORDS[school],
        words: phrase`${showMinutes(span.from)} to ${span.to === null ? 'any time' : showMinutes(span.to)}`,
        pieces: [{ from: span.from, to: span.to, tone: 'window' }],
      }))}
    />
  );
}

/** Straight pieces behind a curve; the arc shown represents the whole length. */
function FacetsPicture({ pieces }: { pieces: number }) {
  const { text } = useWords();
  const shown = Math.min(pieces, 24);
  const placeAt = (share: number) => {
    const angle = Math.PI * (0.85 - 0.7 * share);
    return { x: WIDTH / 2 + 150 * Math.cos(angle), y: 160 - 150 * Math.sin(angle) };
  };
  const curve = Array.from({ length: 65 }, (_, step) => placeAt(step / 64));
  return (
    <Svg width={WIDTH} height={HEIGHT} aria-label={text(phrase`${pieces} straight pieces behind the bend`)} role="img">
      <Path
        d={`M${curve.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`}
        fill="none"
        stroke={colour.ink}
        strokeWidth={3}
      />
      {Array.from({ length: shown }, (_, piece) => {
        const from = placeAt(piece / shown);
        const to = placeAt((piece + 1) / shown);
        return (
          <Line
            key={piece}
            x1={from.x}
            y1={from.y + 10}
            x2={to.x}
            y2={to.y + 10}
            stroke={colour.quiet}
            strokeWidth={8}
            strokeOpacity={piece % 2 ? 0.5 : 0.8}
          />
        );
      })}
    </Svg>
  );
}
