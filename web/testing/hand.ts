import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';

/** Presses the first button of that name. */
export const press = (name: string | RegExp): Promise<void> =>
  userEvent.click(screen.getAllByRole('button', { name })[0] as HTMLElement);

/** Types a figure over the one that stands there, and gives it with Enter. */
export async function type(label: RegExp, text: string): Promise<void> {
  const field = screen.getAllByLabelText(label)[0] as HTMLElement;
  await userEvent.clear(field);
  await userEvent.type(field, `${text}{Enter}`);
}
