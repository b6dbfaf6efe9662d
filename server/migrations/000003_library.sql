-- Drafts, who approved what, and a number that grows with every change of a shop's library, so that a device can ask for
-- what is new to it. Approved revisions never change; only whether they still stand does.

alter table sheet_revision
  add column superseded_by text,
  add column edited_by uuid,
  add column approved_by uuid,
  add column approved_at timestamptz,
  add column change bigint not null default 0;
update sheet_revision set superseded_by = body::jsonb ->> 'supersededBy' where status = 'superseded';
create index sheet_revision_change on sheet_revision (shop, change);

-- A word that thousands of sheets say: those that say it in their title or engine first, without reading the rest.
create index sheet_word_heaviest on sheet_word (shop, word, weight desc) include (sheet, revision);

-- One row for each shop; whoever changes the library holds it until the change is in, so that numbers appear in their order.
create table library_state (
  shop uuid primary key references shop,
  change bigint not null
);

-- What somebody is still writing. body is the document as it is, not yet whole.
create table sheet_draft (
  shop uuid not null references shop,
  sheet text collate "C" not null,
  revision text not null,
  title text not null,
  maker text not null,
  engine text not null,
  kind text not null,
  based_on text,
  body text not null,
  version integer not null,
  imported boolean not null,
  errors integer not null,
  warnings integer not null,
  editor uuid not null,
  edited_at timestamptz not null,
  primary key (shop, sheet),
  foreign key (shop, editor) references membership (shop, account)
);

do $$
declare t text;
begin
  foreach t in array array['library_state', 'sheet_draft'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_shop on %I using (shop = current_shop()) with check (shop = current_shop())', t);
  end loop;
end $$;

grant select, insert, update on library_state to stennet_app;
grant select, insert, update, delete on sheet_draft to stennet_app;
grant insert on sheet_revision, sheet_word, word_count, word_form, joint to stennet_app;
grant update (status, superseded_by, change) on sheet_revision to stennet_app;
grant update (sheets) on word_count to stennet_app;
grant update (sheet, revision) on joint to stennet_app;
