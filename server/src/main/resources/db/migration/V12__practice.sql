-- what came of cases to practise on, by the name somebody typed on a device
create table practice_result (
    id uuid primary key,
    person text not null,
    practice_case text not null,
    seed bigint not null,
    found boolean not null,
    minutes double precision not null,
    best_minutes double precision not null,
    done_at timestamptz not null
);
create index practice_result_person on practice_result (person);
