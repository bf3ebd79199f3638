import { startEarly } from './ui/options/early-worker';

// Runs before anything of the page is drawn: one that opens on the ladder has its planner started by then.
if (window.location.pathname.endsWith('/options')) startEarly();
