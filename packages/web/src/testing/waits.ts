import { configure } from '@testing-library/react';

// A wait ends as soon as what it waits for is there. Its limit is against what hangs, as the limit of a test is: a
// second, the package's default, is too short for a hundred writes sent one by one on a busy machine.
configure({ asyncUtilTimeout: 60_000 });
