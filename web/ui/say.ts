import type { toast } from 'sonner';

type Toast = typeof toast;
let stand: (t: Toast) => void = () => undefined;
/** The messages stand on the page a moment after it does: what is said before waits for them. */
const standing = new Promise<Toast>((resolve) => {
  stand = resolve;
});
export const messagesStand = (t: Toast): void => {
  stand(t);
};

/** Says something in passing. */
export const say = (message: string): void => {
  void standing.then((t) => t(message));
};
/** Says what went wrong; what asks for a second reading stays longer. */
export const sayWrong = (message: string, duration?: number): void => {
  void standing.then((t) => t.error(message, duration === undefined ? {} : { duration }));
};
