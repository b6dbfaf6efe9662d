-- out: servers that are connected to this database, and since when.
select substr(application_name, 9) as name, min(backend_start) as "startedAt" from pg_stat_activity
where datname = current_database() and application_name like 'stennet %' group by 1 order by 1
