import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';

/** Whether the plan is changed from here: by the foreman, and not from a pour that is closed or out of the way. */
export function useMayChange(): boolean {
  const { account } = useSession();
  const v = usePour();
  return account.role === 'foreman' && !v.closed && v.shut === null;
}
