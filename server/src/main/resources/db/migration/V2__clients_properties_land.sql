create table client (
    id uuid primary key,
    name text not null unique,
    created_at timestamptz not null
);

create table property (
    id uuid primary key,
    client_id uuid not null references client (id),
    name text not null,
    head_revision integer not null,
    -- counts every save of the land, so that a save on top of an older one is noticed
    save_no bigint not null,
    created_at timestamptz not null,
    changed_at timestamptz not null
);
-- a property without a name is nobody else's: each job without one gets its own
create unique index property_name on property (client_id, name) where name <> '';

-- the property as it lies, shared by its jobs
create table land_revision (
    property_id uuid not null references property (id),
    revision integer not null,
    stretch uuid not null,
    aside boolean not null,
    doc jsonb not null,
    saved_at timestamptz not null,
    primary key (property_id, revision)
);

-- pictures and terrain grids, by the hash of their contents
create table attachment (
    hash text primary key,
    media_type text not null,
    bytes bytea not null,
    stored_at timestamptz not null
);

alter table job add column property_id uuid references property (id);
insert into client (id, name, created_at) select gen_random_uuid(), client, min(created_at) from job group by client;
alter table property add column only_job uuid;
insert into property (id, client_id, name, head_revision, save_no, created_at, changed_at, only_job)
    select gen_random_uuid(), c.id, j.property, 1, 1, min(j.created_at), min(j.created_at),
        case when j.property = '' then j.id end
    from job j join client c on c.name = j.client group by c.id, j.property, case when j.property = '' then j.id end;
insert into land_revision (property_id, revision, stretch, aside, doc, saved_at)
    select id, 1, gen_random_uuid(), false,
        '{"features": [], "spotHeights": [], "grid": null, "declinationDeg": null, "underlays": [], "tapes": []}',
        created_at
    from property;
update job set property_id = p.id from property p join client c on c.id = p.client_id
    where c.name = job.client and p.name = job.property and (p.only_job is null or p.only_job = job.id);
alter table property drop column only_job;
alter table job alter column property_id set not null;
alter table job drop column client;
alter table job drop column property;
create index job_of_property on job (property_id);

-- a named point in a job's history (quote, day one, commissioning) is kept for good
alter table plan_revision add column label text not null default '';
