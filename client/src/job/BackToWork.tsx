import {
  dryingBuildUm,
  finishesById,
  type JobKind,
  restingAir,
  returnToService,
  type Service,
  SERVICES,
  showMinutes,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { Row, Rows } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { useJob } from './JobContext';

const SERVICE_WORDS: Readonly<Record<Service, string>> = {
  hardware: 'Fittings and hardware on',
  polish: 'Polish',
  wash: 'Wash by hand',
  water: 'Into the water',
  flight: 'Fly',
};

/** What each kind of job goes back to. */
const asked = (kind: JobKind, service: Service): boolean =>
  service === 'water' ? kind === 'boat' : service === 'flight' ? kind === 'aircraft' : true;

/** When the piece may go back to work: what is cured last decides. */
export function BackToWork() {
  const { design, plan, shelf } = useJob();
  if (!plan) return null;
  const finishes = finishesById(shelf);
  const films = plan.stages.flatMap((stage) => {
    const finish = finishes.get(stage.finish);
    const lastMin = Math.max(
      ...plan.steps.filter(({ kind, stage: of }) => kind === 'coat' && of === stage.number).map(({ endMin }) => endMin),
    );
    if (!finish || !Number.isFinite(lastMin)) return [];
    return returnToService(finish, dryingBuildUm(finish, stage.coats), restingAir(design.climate)).map((back) => ({
      ...back,
      name: finish.name,
      atMin: lastMin + back.afterMin,
    }));
  });
  const endMin = Math.max(0, ...plan.steps.map((step) => step.endMin));
  const rows = SERVICES.filter((service) => asked(design.kind, service)).flatMap((service) => {
    const [last] = films.filter((film) => film.service === service).sort((a, b) => b.atMin - a.atMin);
    if (!last) return [];
    const afterMin = Math.ceil(Math.max(0, last.atMin - endMin) / 60) * 60;
    return [
      {
        service,
        when: afterMin === 0 ? 'when it is looked over' : phrase`${showMinutes(afterMin)} later`,
        state: last.soft ? phrase`${last.name} is still soft inside` : 'cured',
      },
    ];
  });
  if (rows.length === 0) return null;
  return (
    <Panel>
      <Heading>Back to work</Heading>
      <Small>
        After the end of the job (estimates by rule of thumb; the data sheets have the last word, and on aircraft
        whoever releases it).
      </Small>
      <Rows>
        {rows.map(({ service, when, state }) => (
          <Row key={service} label={SERVICE_WORDS[service]} testID="back-to-work">
            <Body>{phrase`${SERVICE_WORDS[service]}: ${when}`}</Body>
            <Small>{state}</Small>
          </Row>
        ))}
      </Rows>
    </Panel>
  );
}
