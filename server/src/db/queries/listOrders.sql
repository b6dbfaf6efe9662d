-- in: one order's id, or null for all that are not handed over. out: orders with jobs, joints and their run's head.
select o.id, o.number, o.vehicle, o.customer, o.concern, o.bay, o.state,
  json_build_object('value', o.odometer_value, 'unit', o.odometer_unit) as odometer,
  to_json(o.promised_at) as "promisedAt",
  coalesce((
    select json_agg(json_build_object('id', j.id, 'title', j.title, 'joints', coalesce((
      select json_agg(json_build_object(
        'id', t.id, 'name', t.name, 'sheetId', t.sheet, 'revision', t.revision, 'sheetTitle', r.title,
        'run', (
          select json_build_object(
            'id', u.id, 'state', u.state, 'holderPerson', m.name, 'holderDevice', u.holder_device,
            'holderDeviceName', u.holder_device_name, 'lastAt', u.last_at, 'standing', u.standing)
          from run u join membership m on m.shop = u.shop and m.account = u.holder_person
          where u.shop = t.shop and u.joint = t.id)
        ) order by t.place)
      from joint t join sheet_revision r on r.shop = t.shop and r.sheet = t.sheet and r.revision = t.revision
      where t.shop = j.shop and t.job = j.id), '[]'::json)) order by j.place)
    from job j where j.shop = o.shop and j.repair_order = o.id), '[]'::json) as jobs
from repair_order o
where o.shop = current_shop() and ($1::uuid is null and o.state <> 'handedOver' or o.id = $1::uuid)
order by o.promised_at nulls last, o.number
