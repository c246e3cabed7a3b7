import { type Href, router, usePathname } from 'expo-router';
import { type PropsWithChildren, useEffect, useRef } from 'react';
import { SignIn } from './SignIn';
import { useCurrentPerson } from './who';

/** Pages without sign-in: trusting the shop, and a customer's link. */
const isOpen = (path: string): boolean => path === '/trust' || path.startsWith('/link/');

/** Shows the sign-in screen if needed, and then the page. A phone without a connection continues with what it has. */
export function SignInGate({ children }: PropsWithChildren) {
  const me = useCurrentPerson().data;
  const path = usePathname();
  const shut = me?.signIn === true && me.person === null && !isOpen(path);
  const was = useRef({ shut, path });
  useEffect(() => {
    const before = was.current;
    if (shut) was.current = { shut, path: before.shut ? before.path : path };
    else {
      // The screen that was left comes back, once there is one at all again.
      if (before.shut && before.path !== path) setTimeout(() => router.replace(before.path as Href), 0);
      was.current = { shut, path: before.shut ? before.path : path };
    }
  }, [shut, path]);
  return shut ? <SignIn me={me} /> : children;
}
