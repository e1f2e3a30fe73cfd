declare module 'midi-parser-js' {
  const parser: { readonly parse: (base64: string) => unknown };
  export default parser;
}
