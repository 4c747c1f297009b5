import { FRAME, type Train } from '../train';
import { couplerName, memberName } from '../words';
import { quote } from './quote';

/** What a member is called in a text: its own name, or where another has it too, that with a number. */
export const memberWord = (train: Train, id: string): string => (id === FRAME ? FRAME : quote(memberName(train, id)));

/** What a coupler is called in a text, likewise. */
export const couplerWord = (train: Train, id: string): string => quote(couplerName(train, id));
