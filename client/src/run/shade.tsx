import { createContext, type ReactNode, useContext, useState } from 'react';
import { type Shade, type ShadeName, shades } from '@/theme/theme';

const KEY = 'lintrel.shade';

interface ShadeSetting {
  readonly name: ShadeName;
  readonly shade: Shade;
  readonly change: (name: ShadeName) => void;
}

const ShadeContext = createContext<ShadeSetting>({ name: 'booth', shade: shades.booth, change: () => undefined });

function kept(): ShadeName {
  try {
    return localStorage.getItem(KEY) === 'daylight' ? 'daylight' : 'booth';
  } catch {
    return 'booth';
  }
}

/** How the run sheet is lit on this device: dark for the booth, or light for a bright workshop. */
export function ShadeProvider({ children }: { children: ReactNode }) {
  const [name, set] = useState(kept);
  const change = (next: ShadeName) => {
    set(next);
    try {
      localStorage.setItem(KEY, next);
    } catch {
      // It holds until the page is closed.
    }
  };
  return <ShadeContext.Provider value={{ name, shade: shades[name], change }}>{children}</ShadeContext.Provider>;
}

export const useShade = (): ShadeSetting => useContext(ShadeContext);
