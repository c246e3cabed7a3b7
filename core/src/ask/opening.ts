import { isModelScale } from '../kit';
import { closingMethod, type OpeningMessage } from '../masking';
import { OPENING_USES, type OpeningUse, type ZoneShape } from '../surface';
import { choiceKey, lengthKey, numberKey, optional } from './key';
import { question } from './question';

export const opening = question({
  name: 'opening',
  keys: {
    use: choiceKey('hole', OPENING_USES),
    diameter: lengthKey('120'),
    width: lengthKey('500'),
    height: lengthKey('300'),
    scale: optional(numberKey('1', 1, 1000), 1),
  },
  ways: [
    { name: 'round', keys: ['diameter'] },
    { name: 'straight', keys: ['width', 'height'] },
  ],
  answer: ({ use, diameter, width, height, scale }) => {
    const origin = { along: 0, above: 0 };
    const shape: ZoneShape =
      diameter === undefined
        ? { kind: 'window', at: origin, width: width as number, height: height as number, corner: 0 }
        : { kind: 'round', at: origin, diameter };
    const feature = { kind: 'opening' as const, id: 'opening', name: '', datum: 'base', use: use as OpeningUse, shape };
    // What nobody has chosen is never left open.
    const { code, values } = closingMethod(feature, null, 1, isModelScale(scale as number)) as OpeningMessage;
    const { opening: _, parts: __, count: ___, flush: ____, ...figures } = { flush: true, ...values };
    return { ok: true, value: { closing: code, ...figures } };
  },
});
