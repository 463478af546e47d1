import type { Trade } from '#core/check';

export const TRADE_NAME: Record<Trade, string> = {
  ground: 'Ground',
  forms: 'Forms',
  steel: 'Steel',
  anchors: 'Anchors',
  access: 'Access',
};
