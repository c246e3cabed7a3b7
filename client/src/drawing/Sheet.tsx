import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { PanResponder, StyleSheet, View, type GestureResponderEvent, type LayoutChangeEvent } from 'react-native';
import { IconButton } from 'react-native-paper';
import Svg, { G } from 'react-native-svg';
import { colour, measure, space } from '@/theme/theme';
import { fitted, panned, zoomed, type Frame, type SheetBox, type View as Shown } from './view';

interface SheetProps {
  readonly box: SheetBox;
  readonly label: string;
  /** Draws in millimetres, y up; gets how many mm a dp is. */
  readonly children: (mmPerDp: number) => ReactNode;
}

const DOUBLE_TAP_MS = 300;

/** A sheet one can move and zoom: drag, pinch or wheel; a double tap shows all of it. */
export function Sheet({ box, label, children }: SheetProps) {
  const [frame, setFrame] = useState<Frame | null>(null);
  const [moved, setMoved] = useState<Shown | null>(null);
  const host = useRef<View>(null);
  const whole = frame && fitted(box, frame);
  const view = moved ?? whole;
  // Gestures read the newest values without being made anew at every move.
  const now = useRef({ view, frame, whole });
  now.current = { view, frame, whole };
  const boxKey = JSON.stringify(box);
  useEffect(() => setMoved(null), [boxKey]);
  const responder = useMemo(() => gestures(() => now.current, setMoved), []);
  useWheel(host, () => now.current, setMoved);
  const layout = ({ nativeEvent }: LayoutChangeEvent) => setFrame({ width: nativeEvent.layout.width, height: nativeEvent.layout.height });
  const zoom = (factor: number) => view && frame && whole && setMoved(zoomed(view, factor, { x: frame.width / 2, y: frame.height / 2 }, frame, whole.mmPerDp));
  return (
    <View ref={host} style={styles.host} onLayout={layout} {...responder.panHandlers}>
      {view && frame ? (
        <Svg width={frame.width} height={frame.height} aria-label={label} role="img">
          <G transform={`translate(0 ${frame.height}) scale(${1 / view.mmPerDp} ${-1 / view.mmPerDp}) translate(${-view.x} ${-view.y})`}>
            {children(view.mmPerDp)}
          </G>
        </Svg>
      ) : null}
      <View style={styles.buttons}>
        <IconButton icon="plus" accessibilityLabel="Closer" onPress={() => zoom(1.5)} style={styles.button} size={20} />
        <IconButton icon="minus" accessibilityLabel="Farther" onPress={() => zoom(1 / 1.5)} style={styles.button} size={20} />
        {moved ? <IconButton icon="fit-to-page-outline" accessibilityLabel="Show all" onPress={() => setMoved(null)} style={styles.button} size={20} /> : null}
      </View>
    </View>
  );
}

interface Current {
  readonly view: Shown | null;
  readonly frame: Frame | null;
  readonly whole: Shown | null;
}

function gestures(current: () => Current, setMoved: (view: Shown | null) => void) {
  let start: Shown | null = null;
  let startSpread = 0;
  let lastTap = 0;
  return PanResponder.create({
    onStartShouldSetPanResponder: () => false,
    onMoveShouldSetPanResponder: (event, { dx, dy }) => event.nativeEvent.touches.length > 1 || Math.hypot(dx, dy) > 6,
    onPanResponderGrant: (event) => {
      start = current().view;
      startSpread = spreadOf(event);
    },
    onPanResponderMove: (event, { dx, dy }) => {
      const { frame, whole } = current();
      if (!start || !frame || !whole) return;
      const spread = spreadOf(event);
      if (spread > 0 && startSpread > 0) setMoved(zoomed(start, spread / startSpread, { x: frame.width / 2, y: frame.height / 2 }, frame, whole.mmPerDp));
      else if (startSpread === 0) setMoved(panned(start, dx, dy));
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
  return touches.length < 2 ? 0 : Math.hypot(touches[0].pageX - touches[1].pageX, touches[0].pageY - touches[1].pageY);
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
      setMoved(zoomed(view, event.deltaY < 0 ? 1.2 : 1 / 1.2, { x: event.clientX - edge.left, y: event.clientY - edge.top }, frame, whole.mmPerDp));
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
});
