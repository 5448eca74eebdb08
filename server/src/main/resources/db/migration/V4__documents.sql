-- plans, lands and the house's way are documents with revisions, all kept alike: with the schema they were written by and who saved
create table document (
    kind text not null check (kind in ('plan', 'land', 'house')),
    owner uuid not null,
    head_revision integer not null,
    -- counts every save, so that a save on top of an older one is noticed
    save_no bigint not null,
    primary key (kind, owner)
);

create table revision (
    kind text not null,
    owner uuid not null,
    revision integer not null,
    -- one sitting: its autosaves share a revision
    stretch uuid not null,
    -- a save that came too late, kept beside the line of revisions
    aside boolean not null,
    -- a named point in the history is kept for good
    label text not null,
    doc jsonb not null,
    rulebook_revision integer not null,
    program_version text not null,
    -- empty from before names were asked for
    saved_by text not null,
    saved_at timestamptz not null,
    primary key (kind, owner, revision),
    foreign key (kind, owner) references document (kind, owner)
);

insert into document select 'plan', id, head_revision, save_no from job;
insert into revision select 'plan', job_id, revision, stretch, aside, label, doc, rulebook_revision, program_version, '', saved_at
    from plan_revision;
insert into document select 'land', id, head_revision, save_no from property;
insert into revision select 'land', property_id, revision, stretch, aside, '', doc, 0, '', '', saved_at from land_revision;
insert into document select 'house', '00000000-0000-0000-0000-000000000000', max(revision), max(revision)
    from house_revision having count(*) > 0;
insert into revision select 'house', '00000000-0000-0000-0000-000000000000', revision, gen_random_uuid(), false, '', doc,
    rulebook_revision, '', '', saved_at from house_revision;

alter table job drop column head_revision, drop column save_no;
alter table property drop column head_revision, drop column save_no;
drop table plan_revision;
drop table land_revision;
drop table house_revision;

-- what the list of jobs says of one, worked out once for what it was made from
create table job_summary (
    job_id uuid primary key references job (id),
    made_from text not null,
    summary jsonb not null
);
