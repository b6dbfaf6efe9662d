import { account } from './account';
import { around } from './around';
import { bench } from './bench';
import { common } from './common';
import { editor } from './editor';
import { editorOptions } from './editorOptions';
import { find } from './find';
import { followUps } from './followUps';
import { history } from './history';
import { library } from './library';
import { measure } from './measure';
import { measuring } from './measuring';
import { order } from './order';
import { people } from './people';
import { practiceScreens } from './practiceScreens';
import { prepare } from './prepare';
import { record } from './record';
import { sheet } from './sheet';
import { tighten } from './tighten';
import { shop } from './shop';
import { today } from './today';
import { tools } from './tools';
import { uiFollowUps } from './uiFollowUps';

/** Spanish, area by area. */
export const es = {
  account,
  around,
  bench,
  common,
  editor,
  editorOptions,
  find,
  followUps,
  history,
  library,
  measure,
  measuring,
  order,
  people,
  practiceScreens,
  prepare,
  record,
  sheet,
  shop,
  tighten,
  today,
  tools,
  uiFollowUps,
};
