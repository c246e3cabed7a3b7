import {
  type CurrentPerson,
  currentPersonSchema,
  isAllowed,
  MS_PER_MINUTE,
  type Permission,
} from '@lintrel/core/front';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { request, signedOut } from '@/api/http';
import { deviceName } from '@/device/deviceName';
import { forgetAllTyped } from '@/forms/keptForm';
import { outbox, store } from '@/sync/device';
import { setHands } from '@/sync/deviceHolder';

/** The current person, and whether signing in is required. */
export function useCurrentPerson() {
  const client = useQueryClient();
  useEffect(() => {
    const again = () => void client.invalidateQueries({ queryKey: ['me'] });
    signedOut.add(again);
    return () => void signedOut.delete(again);
  }, [client]);
  const me = useQuery({
    queryKey: ['me'],
    queryFn: () => request('GET', '/me', currentPersonSchema),
    staleTime: MS_PER_MINUTE,
  });
  const { data } = me;
  useEffect(() => {
    // While nobody is signed in, taps belong to the last person.
    if (data && (data.person || !data.signIn) && setHands(data.person)) void outbox.reread().then(outbox.sendNow);
  }, [data]);
  return me;
}

/** Whether the current person has a permission; without sign-in, and until it is known, all. */
export function useIsAllowed(): (right: Permission) => boolean {
  const person = useCurrentPerson().data?.person ?? null;
  return (right) => person === null || isAllowed(person.role, right);
}

/** The ways in: by the code of the first start, by name and passphrase, by PIN on a phone of the shop. */
export type SignInMethod =
  | { readonly way: 'set-up'; readonly code: string; readonly name: string; readonly passphrase: string }
  | { readonly way: 'passphrase'; readonly name: string; readonly passphrase: string; readonly phone: string | null }
  | { readonly way: 'pin'; readonly person: string; readonly pin: string };

/** Signs in and refetches everything. */
export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (by: SignInMethod): Promise<CurrentPerson> => {
      const device = deviceName();
      if (by.way === 'set-up')
        return request('POST', '/sign-in/set-up', currentPersonSchema, {
          code: by.code,
          name: by.name,
          passphrase: by.passphrase,
          device,
        });
      if (by.way === 'pin')
        return request('POST', '/sign-in/pin', currentPersonSchema, { person: by.person, pin: by.pin });
      return request('POST', '/sign-in', currentPersonSchema, {
        name: by.name,
        passphrase: by.passphrase,
        device,
        ...(by.phone === null ? {} : { phone: by.phone }),
      });
    },
    onSuccess: (me) => {
      client.setQueryData(['me'], me);
      void client.invalidateQueries();
    },
  });
}

/** Signs out and removes cached data from the device. Unsent entries stay, and are sent when somebody signs in. */
export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => request('POST', '/sign-out', null),
    onSuccess: () => {
      navigator.serviceWorker?.controller?.postMessage('forget');
      forgetAllTyped();
      // What was read stays on no shared phone; what waits to be sent stays.
      void store.forgetRead().catch(() => undefined);
      client.removeQueries({ predicate: ({ queryKey: [key] }) => key !== 'me' });
      void client.invalidateQueries({ queryKey: ['me'] });
    },
  });
}
