import unhomoglyph from 'unhomoglyph';

/**
 * What a name looks like: two names with the same skeleton cannot be told apart on a screen. Source: Unicode Technical Standard 39, skeleton,
 * over the name in lower case and without characters that show nothing.
 */
const skeletonOf = (name: string): string => {
  const shown = name.normalize('NFKD').replace(/[\p{Default_Ignorable_Code_Point}\p{Cf}\p{Cc}\s]/gu, '');
  // Letters that look alike in capitals only: both forms count.
  return unhomoglyph(unhomoglyph(shown).toLowerCase()).normalize('NFD').toLowerCase();
};

/** Whether two names look alike. */
export const looksAlike = (name: string, other: string): boolean => skeletonOf(name) === skeletonOf(other);
