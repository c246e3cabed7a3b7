import { workshop } from '@/screens/workshop';

export default workshop('AirScreen');
