import { Button } from 'react-native-paper';

export default function Page() {
  return <Button mode="contained">A button</Button>;
}
