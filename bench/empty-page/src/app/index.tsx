import { Button } from 'react-native-paper';

export default function Empty() {
  return <Button mode="contained">Today</Button>;
}
