import { StyleSheet } from 'react-native';
import { font, measure, type Shade, type ShadeName, shades, size, space } from '@/theme/theme';
import { useShade } from './shade';

/** Styles of the run sheet: very large, for gloves and for reading through the booth window. */
const lookIn = (shade: Shade) =>
  StyleSheet.create({
    booth: { flex: 1, backgroundColor: shade.ground },
    content: { padding: space.base, gap: space.base, width: '100%', maxWidth: 2 * measure.panel, alignSelf: 'center' },
    wider: { maxWidth: 4 * measure.panel },
    oneUnder: { gap: space.base },
    sides: { flexDirection: 'row', gap: space.wide, width: '100%' },
    side: { flex: 1, gap: space.base },
    current: { gap: space.middle },
    half: { flexBasis: '45%', flexGrow: 1, flexDirection: 'row' },
    title: { fontFamily: font.heading, fontSize: size.figure, lineHeight: size.figure * 1.1, color: shade.ink },
    detail: { fontFamily: font.body, fontSize: size.title, lineHeight: size.title * 1.35, color: shade.ink },
    label: { fontFamily: font.heading, fontSize: size.large, color: shade.ink },
    countdown: {
      fontFamily: font.heading,
      fontSize: size.countdown,
      lineHeight: size.countdown * 1.1,
      color: shade.ink,
      fontVariant: ['tabular-nums'],
    },
    warn: { fontFamily: font.heading, fontSize: size.title, color: shade.accent },
    quiet: { fontFamily: font.label, fontSize: size.base, lineHeight: size.base * 1.4, color: shade.quiet },
    buttons: { gap: space.middle },
    stepper: { flexDirection: 'row', alignItems: 'stretch', gap: space.middle },
    steppedValue: { flexBasis: '40%', flexGrow: 1, alignItems: 'center', justifyContent: 'center' },
    pair: { flexDirection: 'row', flexWrap: 'wrap', gap: space.middle },
    caution: {
      fontFamily: font.body,
      fontSize: size.large,
      lineHeight: size.large * 1.35,
      color: shade.ink,
      borderLeftWidth: 4,
      borderLeftColor: shade.accent,
      paddingLeft: space.middle,
    },
    others: {
      gap: space.tight,
      borderTopWidth: measure.hairline,
      borderTopColor: shade.hairline,
      paddingTop: space.middle,
    },
    input: {
      minHeight: 2 * measure.runTarget,
      padding: space.middle,
      fontFamily: font.body,
      fontSize: size.large,
      color: shade.ink,
      backgroundColor: shade.sheet,
      borderWidth: measure.hairline,
      borderColor: shade.quiet,
      borderRadius: measure.corner,
    },
  });

const LOOKS: Readonly<Record<ShadeName, ReturnType<typeof lookIn>>> = {
  booth: lookIn(shades.booth),
  daylight: lookIn(shades.daylight),
};

/** The run sheet in the current light. */
export const useLook = () => LOOKS[useShade().name];
