// The package names a file that Node cannot import as its entry; its module is the same.
declare module 'maxrects-packer/dist/maxrects-packer.mjs' {
  export * from 'maxrects-packer';
}
