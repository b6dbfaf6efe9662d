-- out: seconds since the log was archived last, whether the last try failed; null where nothing is archived.
select case when current_setting('archive_mode') = 'off' then null else extract(epoch from now() - last_archived_time)::float end as archive_age_s,
  case when current_setting('archive_mode') = 'off' then null else (coalesce(last_failed_time > coalesce(last_archived_time, '-infinity'), false))::int end as archive_fails
from pg_stat_archiver
