/** The part of Verovio that our tests use; the package ships no types of its own. */
declare module 'verovio/wasm' {
  const createVerovioModule: () => Promise<object>;
  export default createVerovioModule;
}
declare module 'verovio/esm' {
  export class VerovioToolkit {
    constructor(module: object);
    loadData(data: string): boolean | number;
    getMEI(options: { removeIds: boolean }): string;
  }
}
