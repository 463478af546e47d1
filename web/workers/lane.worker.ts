import { expose } from 'comlink';
import { laneOf } from '#core/view';

/** Works out how a pour stands away from the page's own thread: the list of pours needs none of it otherwise. */
const worker = { lane: laneOf };
export type LaneWorker = typeof worker;
expose(worker);
