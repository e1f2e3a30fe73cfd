/** A price as it stands beside a choice. */
export const priceText = (price: number): string => (price < 0.05 ? 'best' : `+${price.toFixed(1)}`);
