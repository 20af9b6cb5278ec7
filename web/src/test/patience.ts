import { configure } from '@testing-library/react';

/** What a page shows in the end is waited for, however busy the machine is. */
configure({ asyncUtilTimeout: 60_000 });
