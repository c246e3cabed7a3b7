import { workshop } from '@/screens/workshop';

export default workshop('PutAwayScreen');
