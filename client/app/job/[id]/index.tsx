import { type Href, Redirect, useLocalSearchParams } from 'expo-router';

/** A job opens at its first step. */
export default function JobStart() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <Redirect href={`/job/${id}/piece` as Href} />;
}
