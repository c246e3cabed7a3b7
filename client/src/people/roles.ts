import type { Role } from '@lintrel/core/front';

export const ROLE_NAMES: Readonly<Record<Role, string>> = {
  owner: 'Owner',
  painter: 'Painter',
  helper: 'Helper',
  viewer: 'Looks on',
};
export const ROLE_MEANINGS: Readonly<Record<Role, string>> = {
  owner: 'May do everything, and lets others in.',
  painter: 'Plans and runs jobs, keeps the shelf.',
  helper: 'Works by run sheets that others have started.',
  viewer: 'Sees everything and changes nothing.',
};
