import { lazyScreen } from '@/screens/workshop';

export default lazyScreen('PieceScreen');
