import type { Place } from '@lintrel/core';
import { memo, type ReactNode, useEffect, useId, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { type GestureResponderEvent, type LayoutChangeEvent, PanResponder, StyleSheet, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import Svg, { Circle, G, Use } from 'react-native-svg';
import { useWords } from '@/person/PersonContext';
import { colour, measure, space } from '@/theme/theme';
import { newObservable, type Observable } from './observable';
import {
  fitBox,
  type Frame,
  handleAt,
  panBy,
  placeAt,
  type SheetBox,
  transformOf,
  type View as Shown,
  zoomBy,
} from './view';

/** A point of the drawing that can be taken hold of. */
export interface CanvasHandle {
  readonly key: string;
  readonly place: Place;
}

/** A handle being dragged: where the finger is, mm. */
export interface CanvasDrag {
  readonly key: string;
  readonly place: Place;
  readonly phase: 'move' | 'end';
  readonly mmPerDp: number;
}

interface CanvasProps {
  readonly box: SheetBox;
  readonly label: string;
  /** Draws in millimetres, y up; gets how many mm a dp is. */
  readonly children: (mmPerDp: number) => ReactNode;
  /** Drawn on top: what changes while one drags. */
  readonly overlay?: (mmPerDp: number) => ReactNode;
  readonly handles?: readonly CanvasHandle[];
  readonly onDrag?: (drag: CanvasDrag) => void;
}

const DOUBLE_TAP_MS = 300;
const NO_HANDLES: readonly CanvasHandle[] = [];

/** A sheet one can move and zoom: drag, pinch or wheel; a double tap shows all of it. Handles are dragged under a magnifier. */
export function Canvas({ box, label, children, overlay, handles = NO_HANDLES, onDrag }: CanvasProps) {
  const { text } = useWords();
  const [frame, setFrame] = useState<Frame | null>(null);
  const [moved, setMoved] = useState<Shown | null>(null);
  const finger = useMemo(() => newObservable<Finger>(null), []);
  const host = useRef<View>(null);
  const drawing = `drawing${useId().replace(/[^A-Za-z0-9]/g, '')}`;
  const whole = frame && fitBox(box, frame);
  const view = moved ?? whole;
  // Gestures read the newest values without being recreated at every move.
  const now = useRef<Current>({ view, frame, whole, handles, onDrag, corner: () => ({ left: 0, top: 0 }) });
  now.current = { view, frame, whole, handles, onDrag, corner: () => cornerOf(host.current) };
  const boxKey = JSON.stringify(box);
  useEffect(() => setMoved(null), [boxKey]);
  const responder = useMemo(() => gestures(() => now.current, setMoved, finger.set), [finger]);
  useWheel(host, () => now.current, setMoved);
  const layout = ({ nativeEvent }: LayoutChangeEvent) =>
    setFrame({ width: nativeEvent.layout.width, height: nativeEvent.layout.height });
  const zoom = useMemo(() => {
    const by = (factor: number) => {
      const { view: shown, frame: on, whole: all } = now.current;
      if (shown && on && all) setMoved(zoomBy(shown, factor, { x: on.width / 2, y: on.height / 2 }, on, all.mmPerDp));
    };
    return { closer: () => by(1.5), farther: () => by(1 / 1.5), all: () => setMoved(null) };
  }, []);
  return (
    <View ref={host} style={styles.host} onLayout={layout} {...responder.panHandlers}>
      {view && frame ? (
        <Svg width={frame.width} height={frame.height} aria-label={text(label)} role="img">
          <G transform={transformOf(view, frame.height)}>
            <G id={drawing}>{children(view.mmPerDp)}</G>
            {overlay?.(view.mmPerDp)}
            {handles.map(({ key, place: [x, y] }) => (
              <Circle
                key={key}
                cx={x}
                cy={y}
                r={7 * view.mmPerDp}
                fill={colour.sheet}
                stroke={colour.calm}
                strokeWidth={3 * view.mmPerDp}
                testID={`handle-${key}`}
              />
            ))}
          </G>
        </Svg>
      ) : null}
      {view ? <Magnifier finger={finger} mmPerDp={view.mmPerDp} drawing={drawing} overlay={overlay} /> : null}
      <Buttons zoom={zoom} moved={moved !== null} />
    </View>
  );
}

/** Not redrawn while dragging. */
const Buttons = memo(function Buttons({
  zoom,
  moved,
}: {
  zoom: Readonly<Record<'closer' | 'farther' | 'all', () => void>>;
  moved: boolean;
}) {
  const { text } = useWords();
  return (
    <View style={styles.buttons}>
      <IconButton
        icon="plus"
        accessibilityLabel={text('Closer')}
        onPress={zoom.closer}
        style={styles.button}
        size={20}
      />
      <IconButton
        icon="minus"
        accessibilityLabel={text('Farther')}
        onPress={zoom.farther}
        style={styles.button}
        size={20}
      />
      {moved ? (
        <IconButton
          icon="fit-to-page-outline"
          accessibilityLabel={text('Show all')}
          onPress={zoom.all}
          style={styles.button}
          size={20}
        />
      ) : null}
    </View>
  );
});

/** Where the finger is that drags, mm; null while none does. */
type Finger = Place | null;

interface MagnifierProps {
  readonly finger: Observable<Finger>;
  readonly mmPerDp: number;
  /** Id of the drawing on the page: shown again, not drawn again. */
  readonly drawing: string;
  readonly overlay: CanvasProps['overlay'];
}

/** What lies under the finger, larger, where the finger does not hide it. */
function Magnifier({ finger, mmPerDp, drawing, overlay }: MagnifierProps) {
  const place = useSyncExternalStore(finger.subscribe, finger.get);
  if (!place) return null;
  const near = mmPerDp / measure.magnified;
  const half = (measure.magnifier * near) / 2;
  return (
    <View style={styles.magnifier} pointerEvents="none" testID="magnifier">
      <Svg width={measure.magnifier} height={measure.magnifier} aria-hidden>
        <G transform={transformOf({ x: place[0] - half, y: place[1] - half, mmPerDp: near }, measure.magnifier)}>
          <Use href={`#${drawing}`} />
          {overlay?.(near)}
          <Circle cx={place[0]} cy={place[1]} r={2 * near} fill={colour.accent} />
        </G>
      </Svg>
    </View>
  );
}

interface Current {
  readonly view: Shown | null;
  readonly frame: Frame | null;
  readonly whole: Shown | null;
  readonly handles: readonly CanvasHandle[];
  readonly onDrag: CanvasProps['onDrag'];
  readonly corner: () => { readonly left: number; readonly top: number };
}

const cornerOf = (host: View | null): { left: number; top: number } =>
  (host as unknown as HTMLElement | null)?.getBoundingClientRect?.() ?? { left: 0, top: 0 };

function gestures(current: () => Current, setMoved: (view: Shown | null) => void, setFinger: (place: Finger) => void) {
  let start: Shown | null = null;
  let startSpread = 0;
  let lastTap = 0;
  let held: string | null = null;
  const placeOf = (x: number, y: number): Place | null => {
    const { view, frame, corner } = current();
    const { left, top } = corner();
    return view && frame ? placeAt(view, frame, { x: x - left, y: y - top }) : null;
  };
  const drag = (x: number, y: number, phase: CanvasDrag['phase']) => {
    const place = placeOf(x, y);
    const { view, onDrag } = current();
    if (held === null || !place || !view) return;
    setFinger(phase === 'end' ? null : place);
    onDrag?.({ key: held, place, phase, mmPerDp: view.mmPerDp });
  };
  return PanResponder.create({
    onStartShouldSetPanResponder: () => false,
    onMoveShouldSetPanResponder: (event, { dx, dy }) => event.nativeEvent.touches.length > 1 || Math.hypot(dx, dy) > 6,
    onPanResponderGrant: (event, { x0, y0 }) => {
      const { view, handles, onDrag } = current();
      start = view;
      startSpread = spreadOf(event);
      const place = placeOf(x0, y0);
      held = view && place && onDrag && startSpread === 0 ? handleAt(handles, place, view.mmPerDp) : null;
    },
    onPanResponderMove: (event, { dx, dy, moveX, moveY }) => {
      if (held !== null) return drag(moveX, moveY, 'move');
      const { frame, whole } = current();
      if (!start || !frame || !whole) return;
      const spread = spreadOf(event);
      if (spread > 0 && startSpread > 0)
        setMoved(
          zoomBy(start, spread / startSpread, { x: frame.width / 2, y: frame.height / 2 }, frame, whole.mmPerDp),
        );
      else if (startSpread === 0) setMoved(panBy(start, dx, dy));
    },
    onPanResponderRelease: (_event, { moveX, moveY }) => {
      drag(moveX, moveY, 'end');
      held = null;
    },
    onPanResponderTerminate: () => {
      held = null;
      setFinger(null);
    },
    onStartShouldSetPanResponderCapture: ({ nativeEvent }) => {
      if (nativeEvent.timestamp - lastTap < DOUBLE_TAP_MS && nativeEvent.touches.length <= 1) setMoved(null);
      lastTap = nativeEvent.timestamp;
      return false;
    },
  });
}

/** Distance between two fingers, dp; 0 with one. */
function spreadOf({ nativeEvent: { touches } }: GestureResponderEvent): number {
  return touches.length < 2
    ? 0
    : Math.hypot(touches[0]!.pageX - touches[1]!.pageX, touches[0]!.pageY - touches[1]!.pageY);
}

/** The wheel zooms about the pointer. */
function useWheel(host: { current: View | null }, current: () => Current, setMoved: (view: Shown) => void): void {
  useEffect(() => {
    const element = host.current as unknown as HTMLElement | null;
    if (!element?.addEventListener) return;
    const onWheel = (event: WheelEvent) => {
      const { view, frame, whole } = current();
      if (!view || !frame || !whole) return;
      event.preventDefault();
      const edge = element.getBoundingClientRect();
      setMoved(
        zoomBy(
          view,
          event.deltaY < 0 ? 1.2 : 1 / 1.2,
          { x: event.clientX - edge.left, y: event.clientY - edge.top },
          frame,
          whole.mmPerDp,
        ),
      );
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
    // The readers are stable for the life of the component.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
}

const styles = StyleSheet.create({
  host: { flex: 1, backgroundColor: colour.sheet, overflow: 'hidden', userSelect: 'none' },
  buttons: { position: 'absolute', right: space.tight, bottom: space.tight, flexDirection: 'row' },
  button: { width: measure.target, height: measure.target, margin: 0, backgroundColor: colour.sheet },
  magnifier: {
    position: 'absolute',
    left: space.small,
    top: space.small,
    width: measure.magnifier,
    height: measure.magnifier,
    borderRadius: measure.corner,
    borderWidth: 2,
    borderColor: colour.ink,
    backgroundColor: colour.sheet,
    overflow: 'hidden',
  },
});
