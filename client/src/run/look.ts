import { StyleSheet } from 'react-native';
import { booth, font, measure, size, space } from '@/theme/theme';

/** How the run sheet is set: very large, for a gloved hand and a look through the booth window. */
export const look = StyleSheet.create({
  booth: { flex: 1, backgroundColor: booth.ground },
  content: { padding: space.base, gap: space.base, width: '100%', maxWidth: 2 * measure.panel, alignSelf: 'center' },
  current: { gap: space.middle },
  half: { flexBasis: '45%', flexGrow: 1, flexDirection: 'row' },
  title: { fontFamily: font.heading, fontSize: size.figure, lineHeight: size.figure * 1.1, color: booth.ink },
  detail: { fontFamily: font.body, fontSize: size.title, lineHeight: size.title * 1.35, color: booth.ink },
  label: { fontFamily: font.heading, fontSize: size.large, color: booth.ink },
  countdown: { fontFamily: font.heading, fontSize: size.countdown, lineHeight: size.countdown * 1.1, color: booth.ink, fontVariant: ['tabular-nums'] },
  warn: { fontFamily: font.heading, fontSize: size.title, color: booth.accent },
  quiet: { fontFamily: font.label, fontSize: size.base, lineHeight: size.base * 1.4, color: booth.quiet },
  buttons: { gap: space.middle },
  stepper: { flexDirection: 'row', alignItems: 'stretch', gap: space.middle },
  steppedValue: { flexBasis: '40%', flexGrow: 1, alignItems: 'center', justifyContent: 'center' },
  pair: { flexDirection: 'row', flexWrap: 'wrap', gap: space.middle },
  caution: {
    fontFamily: font.body,
    fontSize: size.large,
    lineHeight: size.large * 1.35,
    color: booth.ink,
    borderLeftWidth: 4,
    borderLeftColor: booth.accent,
    paddingLeft: space.middle,
  },
  others: { gap: space.tight, borderTopWidth: measure.hairline, borderTopColor: booth.hairline, paddingTop: space.middle },
  input: {
    minHeight: 2 * measure.runTarget,
    padding: space.middle,
    fontFamily: font.body,
    fontSize: size.large,
    color: booth.ink,
    backgroundColor: booth.sheet,
    borderWidth: measure.hairline,
    borderColor: booth.quiet,
    borderRadius: measure.corner,
  },
});
