/** Turns to the quarter, as a hand turns them: "2½ turns". */
function turnsText(turns: number): string {
  const quarters = Math.round(turns * 4);
  const part = ['', '¼', '½', '¾'][quarters % 4] ?? '';
  const whole = Math.floor(quarters / 4);
  const figure = whole === 0 && part !== '' ? part : `${whole}${part}`;
  return `${figure} ${quarters > 4 ? 'turns' : 'turn'}`;
}

/** What is done to the turnbuckle at a place. */
export function braceText(t: {
  turns: number;
  direction: 'in' | 'out' | 'none';
  possible: boolean;
}): string {
  if (t.direction === 'none' || Math.round(t.turns * 4) === 0) return 'leave it';
  if (!t.possible) return `in by ${turnsText(t.turns)}: this brace only pushes, pull it`;
  return t.direction === 'out'
    ? `push out, ${turnsText(t.turns)} longer`
    : `let in, ${turnsText(t.turns)} shorter`;
}
