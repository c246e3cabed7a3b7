import { dewMargin, dewPoint } from '../air';
import { humidityKey, optional, temperatureKey } from './key';
import { question } from './question';

export const dew = question({
  name: 'dew',
  keys: {
    air: temperatureKey('18'),
    rh: humidityKey('80'),
    surface: optional(temperatureKey('16')),
  },
  ways: [],
  answer: ({ air, rh, surface }) => {
    const [airC, rhPercent] = [air as number, rh as number];
    if (surface === undefined) return { ok: true, value: { dewPointC: dewPoint(airC, rhPercent), rhPercent } };
    return { ok: true, value: { ...dewMargin(airC, rhPercent, surface), rhPercent } };
  },
});
