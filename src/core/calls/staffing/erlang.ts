/** What comes to a queue and how its callers bear waiting. */
export interface Traffic {
  callsPerHour: number;
  /** How long a call takes its member on the mean, the time to write it up included. */
  handleSeconds: number;
  /** How long callers wait on the mean before they give up; null: for ever. */
  patienceSeconds: number | null;
}

/** How a queue fares with so many members, in the long run. Shares are of all calls, 0 to 1. */
export interface Service {
  members: number;
  /** Members that the calls keep busy, were all of them taken: the offered traffic in erlang. */
  erlangs: number;
  /** Who has to wait at all. */
  waits: number;
  takenInTime: number;
  gaveUp: number;
  /** Seconds until taken or given up, of all calls; Infinity where the queue grows without end. */
  meanWaitSeconds: number;
  /** Of the members' time. */
  busy: number;
}

/**
 * The share of calls that find all of so many lines taken where nobody waits (Erlang B), by the stable recursion.
 * A. K. Erlang, "Solution of some problems in the theory of probabilities of significance in automatic telephone exchanges" (1917).
 */
export function erlangB(lines: number, erlangs: number): number {
  let blocked = 1;
  for (let line = 1; line <= lines; line++) blocked = (erlangs * blocked) / (line + erlangs * blocked);
  return blocked;
}

/** The share that waits where everybody waits as long as it takes (Erlang C); 1 where there is more to do than members can. */
export function erlangC(members: number, erlangs: number): number {
  if (erlangs >= members) return 1;
  const blocked = erlangB(members, erlangs);
  return blocked / (1 - (erlangs / members) * (1 - blocked));
}

/** How a queue fares: by Erlang C where nobody gives up, else by Erlang A (M/M/c+M), whose callers have exponential patience. */
export function serviceOf(traffic: Traffic, members: number, withinSeconds: number): Service {
  const erlangs = (traffic.callsPerHour / 3600) * traffic.handleSeconds;
  if (traffic.callsPerHour <= 0)
    return { members, erlangs: 0, waits: 0, takenInTime: 1, gaveUp: 0, meanWaitSeconds: 0, busy: 0 };
  return traffic.patienceSeconds === null
    ? byErlangC(traffic, members, withinSeconds, erlangs)
    : byErlangA(traffic, members, withinSeconds, erlangs, traffic.patienceSeconds);
}

function byErlangC(
  { handleSeconds }: Traffic,
  members: number,
  withinSeconds: number,
  erlangs: number,
): Service {
  const waits = erlangC(members, erlangs);
  const isEndless = erlangs >= members;
  const freeRate = (members - erlangs) / handleSeconds;
  return {
    ...{ members, erlangs, waits, gaveUp: 0 },
    takenInTime: isEndless ? 0 : 1 - waits * Math.exp(-freeRate * withinSeconds),
    meanWaitSeconds: isEndless ? Infinity : waits / freeRate,
    busy: members === 0 ? 0 : Math.min(1, erlangs / members),
  };
}

/** Less than that changes no figure. */
const tiny = 1e-12;
const huge = 1e200;

/**
 * C. Palm (1946); O. Garnett, A. Mandelbaum, M. Reiman, "Designing a call center with impatient customers", M&SOM 4 (2002). States are
 * relative to all members busy and nobody waiting. Whoever comes as the n-th to wait is taken after a sum of exponential times with rates
 * c μ + k θ, k below n, which is -ln(B) / θ with B of Beta(c μ / θ, n). With a = c μ / θ that gives the share taken in time as
 * a / (a + n) (1 - I(a + 1, n)), where the incomplete beta function I of whole n is the sum of a negative binomial (DLMF 8.17.21).
 */
function byErlangA(
  { callsPerHour, handleSeconds }: Traffic,
  members: number,
  withinSeconds: number,
  erlangs: number,
  patienceSeconds: number,
): Service {
  const arrivals = callsPerHour / 3600;
  const givingUp = 1 / patienceSeconds;
  const taking = members / handleSeconds;
  const shape = taking / givingUp;
  // The terms of the sum, by their logarithms: the first may be far smaller than a number can be.
  let late = 0;
  let term = -givingUp * withinSeconds * (shape + 1);
  const termRatio = Math.log(-Math.expm1(-givingUp * withinSeconds));
  // With somebody free: by Erlang B, which is the share of the state "all busy" among those states.
  const blocked = erlangB(members, erlangs);
  if (blocked < 1 / huge)
    return {
      ...{
        members,
        erlangs,
        waits: 0,
        takenInTime: 1,
        gaveUp: 0,
        meanWaitSeconds: 0,
        busy: erlangs / members,
      },
    };
  let free = members === 0 ? 0 : 1 / blocked - 1;
  let state = 1;
  let all = 0;
  let waiting = 0;
  let inTime = 0;
  for (let ahead = 0; ; ahead++) {
    all += state;
    waiting += ahead * state;
    // Whoever comes in this state has `ahead` before them, and is the next once those have been taken or have left.
    late = Math.min(1, late + Math.exp(term));
    inTime += (state * shape * (1 - late)) / (shape + ahead + 1);
    term += termRatio + Math.log((shape + 1 + ahead) / (ahead + 1));
    state *= arrivals / (taking + (ahead + 1) * givingUp);
    if (all > huge) {
      // Only how the states are to each other matters; with far too few members they would become endless.
      free /= huge;
      state /= huge;
      all /= huge;
      waiting /= huge;
      inTime /= huge;
    }
    if (state < tiny * all && arrivals < taking + (ahead + 1) * givingUp) break;
  }
  const whole = free + all;
  const meanWaiting = waiting / whole;
  return {
    ...{ members, erlangs, waits: all / whole },
    takenInTime: (free + inTime) / whole,
    gaveUp: (meanWaiting * givingUp) / arrivals,
    meanWaitSeconds: meanWaiting / arrivals,
    busy: members === 0 ? 0 : ((1 - (meanWaiting * givingUp) / arrivals) * erlangs) / members,
  };
}

const mostMembers = 1000;

/** The fewest members with whom that share is taken in time; null where even a thousand would not do. More never do worse. */
export function membersFor(traffic: Traffic, share: number, withinSeconds: number): number | null {
  const isEnough = (members: number) => serviceOf(traffic, members, withinSeconds).takenInTime >= share;
  if (!isEnough(mostMembers)) return null;
  let [least, most] = [0, mostMembers];
  while (least < most) {
    const middle = Math.floor((least + most) / 2);
    if (isEnough(middle)) most = middle;
    else least = middle + 1;
  }
  return least;
}
