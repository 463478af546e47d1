import { useEffect } from 'react';

const OFF = 'jactum-keys-off';
export const keysOn = (): boolean => localStorage.getItem(OFF) === null;
export const setKeysOn = (on: boolean): void => {
  if (on) localStorage.removeItem(OFF);
  else localStorage.setItem(OFF, '1');
};

/** Single keys, only while no field has the focus and no sheet is open, and only when they are not turned off. */
export function useKeys(keys: Record<string, () => void>): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented || !keysOn()) return;
      const on = e.target instanceof HTMLElement ? e.target : null;
      // Out of a field, so that single keys act again.
      if (
        e.key === 'Escape' &&
        on?.closest('.bench') &&
        !document.querySelector('[role="dialog"]')
      ) {
        on.blur();
        return;
      }
      if (on && (on.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(on.tagName)))
        return;
      if (document.querySelector('[role="dialog"]')) return;
      const act = keys[e.key.length === 1 ? e.key.toLowerCase() : e.key];
      if (act) {
        e.preventDefault();
        act();
      }
    };
    window.addEventListener('keydown', press);
    return () => {
      window.removeEventListener('keydown', press);
    };
  }, [keys]);
}
