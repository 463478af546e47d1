import { Outlet, useParams } from 'react-router';
import { PourProvider } from './pour-context.tsx';

/** What every station of a pour stands in. */
export function Component() {
  const { pourId = '' } = useParams();
  return (
    <PourProvider key={pourId} pourId={pourId}>
      <Outlet />
    </PourProvider>
  );
}
