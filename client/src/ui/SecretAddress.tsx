import { View } from 'react-native';
import { Action } from './Action';
import { Body, Small } from './Typography';

/** A secret address, shown once, when it is created. */
export const SecretAddress = ({ address, testID }: { readonly address: string; readonly testID: string }) => (
  <>
    <View testID={testID}>
      <Body>{address}</Body>
    </View>
    <Action label="Copy it" icon="content-copy" onPress={() => void navigator.clipboard?.writeText(address)} />
    <Small>It is shown only now: copy it before you go on.</Small>
  </>
);
