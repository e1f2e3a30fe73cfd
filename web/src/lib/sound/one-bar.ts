/** A bar as a range of bars. */
export const oneBar = (bar: number): { readonly from: number; readonly to: number } => ({
  from: bar,
  to: bar,
});
