import { type MipSolver } from '@map-step/core';
/** The exact solver, on HiGHS in this process. */
export declare function loadSolver(): Promise<MipSolver>;
