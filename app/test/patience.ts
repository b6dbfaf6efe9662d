import { configure } from '@testing-library/react-native';

// How fast a machine is, no test asks: this only ends what hangs.
configure({ asyncUtilTimeout: 30_000 });
