import { View } from 'react-native';

import { hasQueue, type QueueTeam } from '@/core/setup';
import { selectMyId, selectOffice, useAppDispatch, useAppSelector } from '@/state/app';
import { sendOutsideAndSay } from '@/state/outside';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { Section } from './Section';

/** Signs colleagues in to their teams' calls and out of them; nothing where no team's calls wait. */
export function QueueColleagues() {
  const teams = useAppSelector(selectOffice).setup.teams.filter(hasQueue);
  if (teams.length === 0) return null;
  return (
    <Section title="Who takes a team’s calls" sentence="Sign colleagues in and out.">
      {teams.map((team) => (
        <Members key={team.id} team={team} />
      ))}
    </Section>
  );
}

function Members({ team }: { team: QueueTeam }) {
  const dispatch = useAppDispatch();
  const myId = useAppSelector(selectMyId);
  const office = useAppSelector(selectOffice);
  const agents = useAppSelector((state) => state.office.agents);
  return (
    <View style={{ gap: space.s }}>
      <Txt as="strong">{team.name}</Txt>
      {team.memberIds
        .filter((id) => id !== myId)
        .map((personId) => {
          const name = office.people.get(personId)?.name ?? 'Somebody';
          const agent = agents.find((each) => each.teamId === team.id && each.personId === personId);
          const isOut = agent?.state === 'loggedOff';
          return (
            <Plate
              key={personId}
              word={isOut ? `Sign ${name} in to ${team.name}` : `Sign ${name} out of ${team.name}`}
              onPress={() =>
                void dispatch(
                  sendOutsideAndSay(
                    {
                      ...{ type: 'setAgentState', teamId: team.id, personId, reason: '' },
                      state: isOut ? 'ready' : 'loggedOff',
                    },
                    `${name} is signed ${isOut ? 'in to' : 'out of'} ${team.name}.`,
                  ),
                )
              }
            />
          );
        })}
    </View>
  );
}
