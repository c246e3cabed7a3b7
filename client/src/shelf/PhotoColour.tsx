import { createElement, type CSSProperties, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, font, measure, size, space } from '@/theme/theme';
import { Small } from '@/ui/Typography';

/** Side of the square of pixels averaged for a colour: single pixels are noisy. */
const PATCH = 9;
const WIDEST = 320;

/** A photo of a card: tapped, it gives the colour there. Nothing of the photo leaves the device. */
export function PhotoColour({ label, onPick }: { label: string; onPick: (hex: string) => void }) {
  const canvas = useRef<HTMLCanvasElement | null>(null);
  const [shown, setShown] = useState(false);
  const load = (file: File | undefined) => {
    if (!file) return;
    const image = new Image();
    image.onload = () => {
      const board = canvas.current;
      if (!board) return;
      const scale = Math.min(1, WIDEST / image.width);
      board.width = Math.round(image.width * scale);
      board.height = Math.round(image.height * scale);
      board.getContext('2d', { willReadFrequently: true })?.drawImage(image, 0, 0, board.width, board.height);
      URL.revokeObjectURL(image.src);
      setShown(true);
    };
    image.src = URL.createObjectURL(file);
  };
  const pick = (event: { nativeEvent: PointerEvent }) => {
    const board = canvas.current;
    const paint = board?.getContext('2d', { willReadFrequently: true });
    if (!board || !paint) return;
    const rim = board.getBoundingClientRect();
    const x = Math.round(((event.nativeEvent.clientX - rim.left) / rim.width) * board.width - PATCH / 2);
    const y = Math.round(((event.nativeEvent.clientY - rim.top) / rim.height) * board.height - PATCH / 2);
    onPick(middleColour(paint.getImageData(x, y, PATCH, PATCH).data));
  };
  return (
    <View style={styles.photo}>
      {createElement(
        'label',
        { style: LABEL },
        label,
        createElement('input', {
          type: 'file',
          accept: 'image/*',
          'aria-label': label,
          'data-testid': 'card-photo',
          onChange: (event: { target: { files: FileList | null } }) => load(event.target.files?.[0]),
          // The browser's own button does not fit; over the label it still takes the finger and the keyboard.
          style: { position: 'absolute', inset: 0, opacity: 0, cursor: 'pointer' },
        }),
      )}
      {createElement('canvas', {
        ref: canvas,
        role: 'img',
        'aria-label': 'Photo of the card: tap a step to take its colour',
        'data-testid': 'card-canvas',
        onPointerUp: pick,
        style: { display: shown ? 'block' : 'none', maxWidth: '100%', cursor: 'crosshair' },
      })}
      {shown ? <Small>Tap a step of the card: its colour is taken. Even daylight, no glare.</Small> : null}
    </View>
  );
}

/** Looks like the other buttons beside what is done. */
const LABEL: CSSProperties = {
  position: 'relative',
  display: 'flex',
  alignItems: 'center',
  justifyContent: 'center',
  minHeight: measure.target,
  border: `${measure.hairline}px solid ${colour.quiet}`,
  borderRadius: measure.corner,
  fontFamily: font.heading,
  fontSize: size.base,
  color: colour.calm,
};

/** Middle of the pixels, channel by channel. */
function middleColour(data: Uint8ClampedArray): string {
  const channel = (offset: number) => {
    const values = Array.from({ length: data.length / 4 }, (_, index) => data[index * 4 + offset]!).sort(
      (a, b) => a - b,
    );
    return (values[values.length >> 1] ?? 0).toString(16).padStart(2, '0');
  };
  return `#${channel(0)}${channel(1)}${channel(2)}`;
}

const styles = StyleSheet.create({ photo: { gap: space.small } });
