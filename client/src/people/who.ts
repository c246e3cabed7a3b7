import {
  isAllowed,
  currentPersonSchema,
  MS_PER_MINUTE,
  type CurrentPerson,
  type Permission,
} from '@lintrel/core/front';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { request, signedOut } from '@/api/http';
import { deviceName } from '@/device/deviceName';
import { outbox, store } from '@/sync/device';
import { forgetAllTyped } from '@/forms/keptForm';
import { setHands } from '@/sync/deviceHolder';

/** Who one is on this device, and whether one has to be somebody. */
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
    // Where nobody is in just now, what is tapped is still of whoever was last.
    if (data && (data.person || !data.signIn) && setHands(data.person)) void outbox.reread().then(outbox.sendNow);
  }, [data]);
  return me;
}

/** Whether whoever is here may do something; where nobody signs in, and as long as it is not known, everything. */
export function useIsAllowed(): (right: Permission) => boolean {
  const person = useCurrentPerson().data?.person ?? null;
  return (right) => person === null || isAllowed(person.role, right);
}

/** The ways in: by the code of the first start, by name and passphrase, by PIN on a phone of the shop. */
export type SignInMethod =
  | { readonly way: 'set-up'; readonly code: string; readonly name: string; readonly passphrase: string }
  | { readonly way: 'passphrase'; readonly name: string; readonly passphrase: string; readonly phone: string | null }
  | { readonly way: 'pin'; readonly person: string; readonly pin: string };

/** Signs in, and asks for everything anew as the one who is there now. */
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

/** Signs out; what was read stays behind on no device. What is not sent yet stays, and is sent by whoever signs in next. */
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
