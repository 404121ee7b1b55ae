import { Router, type Request } from 'express';

import { showsToken } from '../guard/showsToken';

interface GivenOver {
  /** What whoever runs the processes shows. */
  token: string;
  /** Gives the office that is asked for to another process; which has it now, and null where none has taken it. Rejects where it is not open here. */
  giveOver: (request: Request) => Promise<string | null>;
}

/** `POST`: an office is to be run by another process, as before this machine is seen to. Calls go on. */
export const giveOverRoute = ({ token, giveOver }: GivenOver): Router =>
  Router().post('/', (request, response) => {
    response.type('text');
    // Also on this machine: any page that is open in a browser there could ask.
    if (!showsToken(request, token)) return void response.status(403).send('That takes the token.\n');
    giveOver(request).then(
      (owner) =>
        owner === null
          ? response.status(503).send('No other process has taken it. This one goes on.\n')
          : response.send(`It is run by ${owner} now.\n`),
      (error: Error) => response.status(409).send(`${error.message}\n`),
    );
  });
