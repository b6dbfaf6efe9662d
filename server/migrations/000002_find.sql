-- Sheets are found by the words they say. Everything here can be computed again from sheet_revision.body.
-- Words are compared byte by byte ("C"): equality and prefix ranges use the indexes, also under row-level security.

alter table sheet_revision
  add column status text not null default 'approved' check (status in ('draft', 'approved', 'superseded')),
  add column maker text not null default '',
  add column engine text not null default '',
  add column kind text not null default '',
  add column brief jsonb not null default '{}';

create index sheet_revision_place on sheet_revision (shop, maker, engine, kind);

create table sheet_word (
  shop uuid not null,
  word text collate "C" not null,
  sheet text collate "C" not null,
  revision text collate "C" not null,
  weight real not null,
  primary key (shop, word, sheet, revision)
);
create index sheet_word_of_sheet on sheet_word (shop, sheet, revision, word) include (weight);

-- In how many sheets a word stands: rare words say more.
create table word_count (
  shop uuid not null,
  word text collate "C" not null,
  sheets integer not null,
  primary key (shop, word)
);

-- A word with one letter left out, each way: two words that are one slip apart share a form.
create table word_form (
  shop uuid not null,
  form text collate "C" not null,
  word text collate "C" not null,
  primary key (shop, form, word)
);

do $$
declare t text;
begin
  foreach t in array array['sheet_word', 'word_count', 'word_form'] loop
    execute format('alter table %I enable row level security', t);
    execute format('alter table %I force row level security', t);
    execute format('create policy own_shop on %I using (shop = current_shop()) with check (shop = current_shop())', t);
  end loop;
end $$;

grant select on sheet_word, word_count, word_form to stennet_app;
