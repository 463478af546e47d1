import { useState } from 'react';

type Theme = 'sun' | 'dusk';
const KEY = 'jactum-theme';
const saved = (): Theme => (localStorage.getItem(KEY) === 'dusk' ? 'dusk' : 'sun');
const apply = (theme: Theme): void => {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem(KEY, theme);
};
apply(saved());

/** Sun for daylight, Dusk for lit night work; kept on this device. */
export function useTheme(): { theme: Theme; toggle: () => void } {
  const [theme, setTheme] = useState(saved);
  return {
    theme,
    toggle: () => {
      const next = theme === 'sun' ? 'dusk' : 'sun';
      apply(next);
      setTheme(next);
    },
  };
}
