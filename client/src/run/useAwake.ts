import { useEffect, useState } from 'react';

/** What of the browser keeps a screen on. */
type Lock = { release: () => Promise<void>; addEventListener: (type: 'release', heard: () => void) => void };

/**
 * Keeps the screen on while a run sheet is open; a page that was away asks anew when it is seen again.
 * @returns `on`, `off` where the browser does not let it (over plain HTTP, or to save the battery)
 */
export function useAwake(): 'on' | 'off' {
  const [state, setState] = useState<'on' | 'off'>('off');
  useEffect(() => {
    let lock: Lock | null = null;
    let left = false;
    const wake = () => {
      const { wakeLock } = navigator as { wakeLock?: { request: (type: 'screen') => Promise<Lock> } };
      if (!wakeLock || document.visibilityState !== 'visible') return;
      wakeLock.request('screen').then(
        (got) => {
          if (left) return void got.release();
          lock = got;
          setState('on');
          got.addEventListener('release', () => setState('off'));
        },
        () => setState('off'),
      );
    };
    wake();
    document.addEventListener('visibilitychange', wake);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', wake);
      void lock?.release();
    };
  }, []);
  return state;
}
