import { pathText } from '@lintrel/core';
import { useLocalSearchParams } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { PartDrawing } from '@/drawing/PartDrawing';
import { KeptNote } from '@/forms/KeptNote';
import { treeAt } from '@/forms/tree';
import { TreeFormProvider } from '@/forms/TreeField';
import { StepLayout } from '@/job/StepLayout';
import { AttachedForm } from '@/setout/AttachedForm';
import { DatumsForm } from '@/setout/DatumsForm';
import { FeaturesForm } from '@/setout/FeaturesForm';
import { PartBasics } from '@/setout/PartBasics';
import { PlaceForm } from '@/setout/PlaceForm';
import { SurfaceForm } from '@/setout/SurfaceForm';
import { SurroundingsForm } from '@/setout/SurroundingsForm';
import { usePartForm } from '@/setout/usePartForm';
import { colour, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';

/** One part: what it is, its surface, what a tape meets on it, what lines are measured from, and where it sits. */
export function PartScreen() {
  const { part: partId } = useLocalSearchParams<{ part: string }>();
  const form = usePartForm(partId);
  const { part, drawn, others } = form;
  const { tree, faults } = form.tree;
  const follows = treeAt(tree, ['opposite', 'follows']) === true;
  const elsewhere = Object.entries(faults).filter(([path]) => !isShown(path));
  return (
    <TreeFormProvider value={form.tree}>
      <StepLayout
        part={drawn ?? form.known}
        // Always rendered: adding the drawing later would recreate the fields while typing.
        drawing={
          drawn ? <PartDrawing part={drawn} areas={drawn.areas} codes="lines" edges={form.edges} help /> : <NoDrawing />
        }
        action={
          <Action
            rank="main"
            label={part ? 'Keep these' : 'Add this part'}
            onPress={() => void form.submit()}
            testID="submit"
          />
        }
      >
        <KeptNote kept={form.kept} />
        <PartBasics title={part ? part.name : 'New part'} />
        {drawn ? (
          <Panel>
            <Heading>What is round it</Heading>
            <SurroundingsForm
              groups={form.groups}
              names={drawn.edges}
              others={others}
              chosen={form.group}
              onChoose={form.chooseGroup}
            />
          </Panel>
        ) : null}
        {follows ? null : (
          <>
            <Panel>
              <Heading>Its surface</Heading>
              <SurfaceForm />
            </Panel>
            <Panel>
              <Heading>What a tape meets</Heading>
              <FeaturesForm />
            </Panel>
            <DatumsForm />
          </>
        )}
        <Panel>
          <Heading>Where it sits</Heading>
          <PlaceForm others={others.filter(({ opposite }) => !opposite?.follows)} />
        </Panel>
        {others.length > 0 ? (
          <Panel>
            <Heading>What stays on it</Heading>
            <AttachedForm others={others} />
          </Panel>
        ) : null}
        {elsewhere.map(([path, message]) => (
          <Notice key={path} level="stop" text={`${path}: ${message}`} />
        ))}
        {part ? (
          <Action rank="quiet" icon="delete-outline" label="Take this part out" onPress={() => void form.remove()} />
        ) : null}
      </StepLayout>
    </TreeFormProvider>
  );
}

const NoDrawing = () => (
  <View style={styles.blank}>
    <Small>The part is drawn here as soon as its measurements can be read</Small>
  </View>
);

/** Faults with a field of their own are shown there. */
const isShown = (path: string): boolean =>
  path !== pathText(['surface']) && !/\.fold$|\.outline$|\.profile$/.test(path);

const styles = StyleSheet.create({
  blank: {
    flex: 1,
    alignItems: 'center',
    justifyContent: 'center',
    padding: space.base,
    backgroundColor: colour.sheet,
  },
});
