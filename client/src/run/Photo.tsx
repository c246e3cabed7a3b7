import { useEffect, useMemo, useState } from 'react';
import { Image, Pressable, StyleSheet } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { useShade } from '@/run/shade';
import { useOutbox } from '@/sync/useOutbox';
import { colour, font, measure, size } from '@/theme/theme';
import { Text } from '@/ui/Text';

/** A photo of a job: from this device while it waits to be sent, else from the server. A tap makes it large, and small again. */
export function Photo({
  job,
  photo,
  label,
  inRun = false,
}: {
  job: string;
  photo: string;
  label: string;
  inRun?: boolean;
}) {
  const { text } = useWords();
  const { shade } = useShade();
  const [large, setLarge] = useState(false);
  const [missing, setMissing] = useState<string | null>(null);
  const uri = useUri(job, photo);
  if (missing === uri)
    return (
      <Text style={[styles.missing, inRun && { color: shade.quiet }]}>
        This photo is not here: it stayed in the shop it was taken in, or there is no connection.
      </Text>
    );
  return (
    <Pressable
      role="button"
      aria-label={text(label)}
      aria-expanded={large}
      onPress={() => setLarge(!large)}
      testID="photo"
      style={[styles.frame, large && styles.large]}
    >
      <Image
        source={{ uri }}
        style={styles.picture}
        resizeMode={large ? 'contain' : 'cover'}
        onError={() => setMissing(uri)}
      />
    </Pressable>
  );
}

/** Where the picture is to be had. */
function useUri(job: string, photo: string): string {
  const { pending, landed } = useOutbox();
  const here = [...pending, ...landed].find(
    ({ event }) => event.saw?.kind === 'photo' && event.saw.photo === photo,
  )?.photo;
  const objectUrl = useMemo(() => (here ? URL.createObjectURL(here) : null), [here]);
  useEffect(() => () => void (objectUrl && URL.revokeObjectURL(objectUrl)), [objectUrl]);
  return objectUrl ?? `/api/jobs/${job}/photos/${photo}`;
}

const styles = StyleSheet.create({
  missing: { fontFamily: font.label, fontSize: size.base, color: colour.quiet },
  frame: { width: measure.photo, height: measure.photo, borderRadius: measure.corner, overflow: 'hidden' },
  large: { width: '100%', height: measure.photoLarge },
  picture: { width: '100%', height: '100%' },
});
