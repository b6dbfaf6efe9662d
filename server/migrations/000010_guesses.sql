-- Guesses at passwords and PINs are counted before they are compared, in one statement, so that many at once count as many.
drop function recent_attempts(text, timestamptz);
drop function note_attempt(text, timestamptz);
drop function forget_attempts(text);
drop table sign_in_attempt;

-- By what is guessed at and, for most keys, from where. locks: how often it has been locked; each one lasts twice as long as the one before.
create table guess (
  guess_key text primary key,
  tries integer not null,
  locks integer not null,
  locked_until timestamptz,
  last_at timestamptz not null
);

-- Devices from which somebody has signed in with the right password: what others guess elsewhere does not lock them out there.
create table known_device (
  token_hash bytea not null,
  account uuid not null references account on delete cascade,
  last_at timestamptz not null,
  primary key (token_hash, account)
);

-- Counts one guess under each key. Returns null where it may be compared, else until when it may not.
-- The try that reaches the limit is still compared; from then on each single try locks again. A day without a try, and all is forgotten.
create function count_guess(keys text[], most integer[], first_lock interval[], longest interval[], moment timestamptz) returns timestamptz
  language plpgsql security definer set search_path = public, pg_temp
  as $$
declare
  i integer;
  until timestamptz;
begin
  -- One order for all, so that two guesses never wait for each other.
  for i in select o from generate_subscripts(keys, 1) o order by keys[o] loop
    insert into guess values (keys[i], 0, 0, null, moment)
      on conflict (guess_key) do update set
        tries = case when guess.last_at < moment - interval '1 day' then 0 else guess.tries end,
        locks = case when guess.last_at < moment - interval '1 day' then 0 else guess.locks end;
  end loop;
  select max(locked_until) into until from guess where guess_key = any (keys) and locked_until > moment;
  if until is not null then return until; end if;
  for i in 1 .. array_length(keys, 1) loop
    update guess set
        tries = least(tries + 1, most[i] - 1),
        locks = locks + (tries + 1 >= most[i])::integer,
        locked_until = case when tries + 1 >= most[i] then moment + least(first_lock[i] * power(2, least(locks, 20)), longest[i]) end,
        last_at = moment
      where guess_key = keys[i];
  end loop;
  return null;
end $$;

-- The guess was right. keys: forgotten. others: only this try is taken back, with the lock that it set itself.
create function forgive_guess(keys text[], others text[], moment timestamptz) returns void
  language sql security definer set search_path = public, pg_temp
  as $$
  delete from guess where guess_key = any (keys);
  update guess set
      tries = greatest(tries - 1, 0),
      locks = locks - (locked_until is not null and last_at = moment)::integer,
      locked_until = case when last_at = moment then null else locked_until end
    where guess_key = any (others);
$$;

create function forget_guesses(wanted text) returns void
  language sql security definer set search_path = public, pg_temp
  as $$ delete from guess where guess_key = wanted or guess_key like wanted || ':%' $$;

create function knows_device(token bytea, person uuid) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$ select exists (select 1 from known_device where token_hash = token and account = person) $$;
create function note_device(token bytea, person uuid, moment timestamptz) returns void
  language sql security definer set search_path = public, pg_temp
  as $$
  insert into known_device values (token, person, moment) on conflict (token_hash, account) do update set last_at = moment;
  delete from known_device where last_at < moment - interval '90 days';
$$;

revoke all on function count_guess(text[], integer[], interval[], interval[], timestamptz), forgive_guess(text[], text[], timestamptz), forget_guesses(text), knows_device(bytea, uuid), note_device(bytea, uuid, timestamptz) from public;
grant execute on function count_guess(text[], integer[], interval[], interval[], timestamptz), forgive_guess(text[], text[], timestamptz), forget_guesses(text), knows_device(bytea, uuid), note_device(bytea, uuid, timestamptz) to stennet_app;
