-- in: one order's id or null; what to look for, as a pattern, or null; a state or null; whether handed-over ones too; its letters and digits alone, or null. out: orders with jobs, joints, runs' heads and entries, the most urgent first, then the newest that were handed over; 201 where there are more than 200.
select o.id, o.number, o.vehicle, o.customer, o.concern, o.bay, o.state, o.version,
  case when o.odometer_value is not null then json_build_object('value', o.odometer_value, 'unit', o.odometer_unit) end as odometer, o.contact,
  to_json(o.promised_at) as "promisedAt", to_json(o.opened_at) as "openedAt",
  coalesce((
    select json_agg(json_build_object('id', j.id, 'title', j.title, 'kind', j.kind, 'joints', coalesce((
      select json_agg(json_build_object(
        'id', t.id, 'name', t.name, 'sheetId', t.sheet, 'revision', t.revision, 'sheetTitle', r.title, 'sheetKind', r.kind,
        'instances', r.instances, 'takesApart', r.takes_apart,
        'runs', coalesce((
          select json_agg(json_build_object(
            'id', u.id, 'part', u.part, 'instance', nullif(u.instance, ''), 'state', u.state, 'signing', u.signing, 'holderPerson', m.name, 'holderDevice', u.holder_device,
            'holderDeviceName', u.holder_device_name, 'lastAt', u.last_at, 'standing', u.standing) order by u.part desc, u.instance)
          from run u join membership m on m.shop = u.shop and m.account = u.holder_person
          where u.shop = t.shop and u.joint = t.id), '[]'::json)
        ) order by t.place)
      from joint t join sheet_revision r on r.shop = t.shop and r.sheet = t.sheet and r.revision = t.revision
      where t.shop = j.shop and t.job = j.id), '[]'::json)) order by j.place)
    from job j where j.shop = o.shop and j.repair_order = o.id), '[]'::json) as jobs,
  coalesce((
    select json_agg(json_build_object('id', e.id, 'version', e.version, 'by', p.name, 'at', e.at, 'body', e.body::json) order by e.first_at, e.id)
    from (
      select distinct on (l.id) l.*, min(l.at) over (partition by l.id) as first_at
      from order_entry l where l.shop = o.shop and l.repair_order = o.id
      order by l.id, l.version desc) e
    join membership p on p.shop = e.shop and p.account = e.person
    where not e.gone), '[]'::json) as entries,
  coalesce((
    select json_agg(json_build_object('id', f.id, 'joint', f.joint, 'after', f.after, 'kind', f.kind, 'text', f.text, 'distanceKm', f.distance_km, 'days', f.days,
      'celsius', f.celsius, 'since', f.since, 'sinceKm', f.since_km, 'dueOn', f.due_on, 'state', f.state, 'note', f.note, 'seenKm', f.seen_km, 'by', w.name,
      'at', f.settled_at, 'version', f.version) order by f.due_on, f.after)
    from follow_up f left join membership w on w.shop = f.shop and w.account = f.person
    where f.shop = o.shop and f.repair_order = o.id), '[]'::json) as "followUps"
from repair_order o
where o.shop = current_shop()
  and case when $1::uuid is not null then o.id = $1::uuid
      else ($3::text is null or o.state = $3) and ($4::boolean or o.state <> 'handedOver')
        and ($2::text is null or (o.number || ' ' || o.customer || ' ' || (o.vehicle ->> 'plate') || ' ' || (o.vehicle ->> 'vin') || ' ' || (o.vehicle ->> 'maker') || ' ' || (o.vehicle ->> 'model') || ' ' || (o.vehicle ->> 'engine') || ' ' || o.concern || ' ' || coalesce(o.contact ->> 'phone', '')) ilike $2
          or bare(o.number || ' ' || (o.vehicle ->> 'plate') || ' ' || (o.vehicle ->> 'vin') || ' ' || coalesce(o.contact ->> 'phone', '')) like '%' || $5 || '%')
      end
order by (o.state = 'handedOver'), case when o.state <> 'handedOver' then o.promised_at end nulls last,
  case when o.state = 'handedOver' then o.opened_at end desc, o.number
limit 201
