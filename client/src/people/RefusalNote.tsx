import { Notice } from '@/ui/Notice';

/** Why something was refused; nothing where it was not. */
export const RefusalNote = ({ error }: { error: Error | null }) =>
  error ? <Notice level="stop" text={error.message} /> : null;
