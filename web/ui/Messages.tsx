import { useEffect } from 'react';
import { toast, Toaster } from 'sonner';
import { messagesStand } from './say.ts';

/** Where messages are shown. They only say something: a press goes through them to what lies beneath. */
export default function Messages() {
  useEffect(() => {
    messagesStand(toast);
  }, []);
  return <Toaster position="top-center" toastOptions={{ style: { pointerEvents: 'none' } }} />;
}
