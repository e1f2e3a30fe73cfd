import type { RightWay } from '@oculon/core';
import { say } from '../../words.ts';

/** How a way of the right hand is called. */
export const wayName = ({ asked }: RightWay): string => {
  switch (asked.kind) {
    case 'plan':
      return 'as planned';
    case 'pattern':
      return [...asked.pattern].join('-');
    case 'school':
      return say(`right-school.${asked.school}`);
  }
};

/** A difference in price against the plan: `+0.8`, `−0.2`, `same`. */
export const differenceText = (price: number): string =>
  Math.abs(price) < 0.05 ? 'same' : `${price > 0 ? '+' : '−'}${Math.abs(price).toFixed(1)}`;
