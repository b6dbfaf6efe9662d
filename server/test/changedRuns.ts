import { type Change, run, JONAH, of, OTHER_RUN, OPEN_RUN } from './pastTheServer';
import { demoId, HALDEN } from './world';

/** Changes of runs, their entries and signed words, and what verify says first of each. */
export const CHANGED_RUNS: readonly Change[] = [
  // A run's entries.
  [
    'an entry’s text',
    `update run_event set body = replace(body, '"turned"', '"heldStill"') where run = ${run}`,
    /RO 2389.*Entry \d+ is the first that fails: its text was changed/,
  ],
  [
    'an entry’s time',
    `update run_event set body = replace(body, ':', ';') where run = ${run} and position = 9`,
    /RO 2389|run .*can’t be read/,
  ],
  [
    'an entry’s text and hash',
    `update run_event set body = replace(body, '"pass":1', '"pass":2'), hash = encode(sha256(convert_to(replace(body, '"pass":1', '"pass":2'), 'UTF8')), 'hex') where run = ${run}`,
    /RO 2389.*Entry \d+ is the first/,
  ],
  [
    'an entry’s hash',
    `update run_event set hash = repeat('0', 64) where run = ${run} and position = 12`,
    /RO 2389.*Entry 12 is the first/,
  ],
  [
    'an entry’s seal',
    `update run_event set seal = null where run = ${run} and position = 12`,
    /RO 2389.*Entry 12 is the first.*seal/,
  ],
  [
    'an entry’s person',
    `update run_event set body = replace(body, '${JONAH}', '${demoId(10)}') where run = ${run}`,
    /RO 2389.*Entry 1 is the first/,
  ],
  [
    'an entry that is no text any more',
    `update run_event set body = 'x' where run = ${run} and position = 3`,
    /can’t be read/,
  ],
  [
    'an entry removed in the middle',
    `delete from run_event where run = ${run} and position = 20`,
    /RO 2389.*Entry 20 is the first that fails: it doesn’t follow the entry before it/,
  ],
  [
    'the first entry removed',
    `delete from run_event where run = ${run} and position = 1`,
    /RO 2389.*Entry 1 is the first/,
  ],
  [
    'the last entry removed',
    `delete from run_event where run = ${run} and position = (select max(position) from run_event where run = ${run})`,
    /RO 2389.*it was signed for other entries/,
  ],
  [
    'a tail removed and the head set back',
    `delete from run_event where run = ${run} and position > 20; update run set last_position = 20, last_seq = 20, head_hash = (select hash from run_event where run = ${run} and position = 20), signing = 'open' where id = ${run}; delete from signed_word where run = ${run}`,
    /RO 2389, .*run “procedure” was changed outside the server/,
  ],
  [
    'all entries removed',
    `delete from run_event where run = ${run}`,
    /RO 2389.*it was signed for other entries/,
  ],
  [
    'an entry twice',
    `insert into run_event select shop, run, 9999, gen_random_uuid(), hold, 9999, type, person, body, hash, seal from run_event where run = ${run} and position = 12`,
    /RO 2389.*Entry \d+ is the first/,
  ],
  [
    'two entries exchanged',
    `update run_event set position = -position where run = ${run} and position in (10, 11); update run_event set position = case position when -10 then 11 else 10 end where run = ${run} and position < 0`,
    /RO 2389.*Entry 10 is the first/,
  ],
  [
    'an entry moved to another run',
    `update run_event set run = ${of(OTHER_RUN)}, position = 9999, seq = 9999 where run = ${run} and position = 12`,
    /RO 2389.*Entry 12|RO 2402.*Entry/,
  ],
  [
    'all entries of two runs exchanged',
    `update run_event set run = ${of(demoId(999))} where run = ${run}; update run_event set run = ${run} where run = ${of(OTHER_RUN)}; update run_event set run = ${of(OTHER_RUN)} where run = ${of(demoId(999))}`,
    /Entry 1 is the first|sheet is not the one/,
  ],
  // A run.
  [
    'a run removed with all that belongs to it',
    `delete from run_event where run = ${run}; delete from signed_word where run = ${run}; delete from wrench_use where run = ${run}; delete from run where id = ${run}`,
    /RO 2389, .*Cylinder head, run “procedure” was removed outside the server/,
  ],
  [
    'a run removed alone',
    `delete from run where id = ${run}`,
    /RO 2389, .*run “procedure” was removed/,
  ],
  [
    'an open run removed',
    `delete from run_event where run = ${of(OPEN_RUN)}; delete from late_event; delete from statement; delete from wrench_use where run = ${of(OPEN_RUN)}; delete from run where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*run “procedure” was removed/,
  ],
  [
    'a run set back to open',
    `update run set state = 'open' where id = ${run}`,
    /RO 2389, .*run “procedure” was changed/,
  ],
  [
    'a run set to unsigned, its words removed',
    `update run set signing = 'open' where id = ${run}; delete from signed_word where run = ${run}`,
    /RO 2389, .*run “procedure” was changed/,
  ],
  [
    'a run set to signed',
    `update run set signing = 'signed' where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*run “procedure” was changed/,
  ],
  [
    'a run’s head',
    `update run set head_hash = repeat('a', 64) where id = ${run}`,
    /RO 2389, .*run “procedure” was changed/,
  ],
  [
    'an unsigned run on another joint',
    `update run set joint = ${of(demoId(401))} where id = ${of(OPEN_RUN)}`,
    /run “procedure” was changed/,
  ],
  [
    'a signed run on another joint',
    `update run set joint = ${of(demoId(401))} where id = ${run}`,
    /run “procedure” was changed/,
  ],
  [
    'two signed runs exchanged between vehicles',
    `update run set instance = 'x' where id = ${run}; update run set joint = ${of(demoId(461))} where id = ${of(OTHER_RUN)}; update run set joint = ${of(demoId(462))}, instance = '' where id = ${run}`,
    /run “procedure” was changed/,
  ],
  [
    'a run as another part',
    `update run set part = 'takeApart' where id = ${run}`,
    /RO 2389, .*was changed/,
  ],
  [
    'a run at another bank',
    `update run set instance = 'B' where id = ${run}`,
    /RO 2389, .*was changed/,
  ],
  [
    'a run with another sheet',
    `update run set sheet = (select sheet from run where id = ${of(demoId(824))}), revision = 'A' where id = ${run}`,
    /RO 2389, .*was changed/,
  ],
  [
    'a run’s holder',
    `update run set holder_person = ${of(demoId(10))} where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*was changed/,
  ],
  [
    'a run’s number of its hold',
    `update run set hold = hold + 1 where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*was changed/,
  ],
  [
    'what a run says of itself in lists',
    `update run set standing = '{}' where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*was changed/,
  ],
  [
    'when a run was last worked on',
    `update run set last_at = last_at + interval '1 day' where id = ${run}`,
    /RO 2389, .*was changed/,
  ],
  [
    'a run made up',
    `insert into run select (jsonb_populate_record(r, jsonb_build_object('id', ${of(demoId(953))}, 'instance', 'Z'))).* from run r where id = ${of(OPEN_RUN)}`,
    /RO 2428, .*run “procedure” was added outside the server/,
  ],
  // Signatures.
  [
    'all signed words removed',
    `delete from signed_word where run = ${run}`,
    /RO 2389, .*signature or note “technician” was removed/,
  ],
  [
    'the last signed word removed',
    `delete from signed_word where run = ${run} and place = (select max(place) from signed_word where run = ${run})`,
    /RO 2389, .*signature or note .* was removed/,
  ],
  [
    'a signed word’s text',
    `update signed_word set body = replace(body, 'Jonah', 'Johan') where run = ${run}`,
    /RO 2389, .*signature or note .* was changed/,
  ],
  [
    'a signature',
    `update signed_word set signature = 'AAAA' where run = ${run} and place = 1`,
    /RO 2389, .*signature or note .* was changed/,
  ],
  [
    'who signed',
    `update signed_word set person = ${of(demoId(10))} where run = ${run} and place = 1`,
    /RO 2389, .*signature or note .* was changed/,
  ],
  [
    'a word signed for another run',
    `update signed_word set run = ${of(OPEN_RUN)} where run = ${run} and place = 1`,
    /signature or note .* was (added|removed)/,
  ],
  [
    'a word made up',
    `insert into signed_word values (${of(HALDEN)}, ${of(OPEN_RUN)}, 1, gen_random_uuid(), 'technician', ${of(JONAH)}, '{}', 'AAAA', now())`,
    /RO 2428, .*signature or note “technician” was added/,
  ],
];
