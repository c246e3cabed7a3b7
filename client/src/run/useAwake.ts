import { useEffect, useState } from 'react';

/** The wake lock of the browser. */
type Lock = { release: () => Promise<void>; addEventListener: (type: 'release', heard: () => void) => void };

/**
 * Keeps the screen on while a run sheet is open; requested again when the page becomes visible.
 * @returns `off` if the browser does not allow it (plain HTTP, or battery saving)
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
