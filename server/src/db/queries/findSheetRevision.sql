-- in: sheet, revision. out: body, hash, whether it stands, who approved it when, who writes the next one.
select r.body, r.hash, r.status, r.superseded_by, a.name as approver, to_json(r.approved_at) #>> '{}' as approved_at, e.name as draft_editor, to_json(d.edited_at) #>> '{}' as draft_at
from sheet_revision r
left join membership a on a.shop = r.shop and a.account = r.approved_by
left join sheet_draft d on d.shop = r.shop and d.sheet = r.sheet
left join membership e on e.shop = d.shop and e.account = d.editor
where r.shop = current_shop() and r.sheet = $1 and r.revision = $2
