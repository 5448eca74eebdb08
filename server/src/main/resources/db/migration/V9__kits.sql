-- kits of the house are a document like the others
alter table document drop constraint if exists document_kind_check,
    add constraint document_kind_check check (kind in ('plan', 'land', 'house', 'firm', 'terms', 'kits'));
