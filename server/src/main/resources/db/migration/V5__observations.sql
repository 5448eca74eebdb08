-- readings become observations: a peak on a wire is one kind of what can be measured or seen
alter table reading
    alter column test_point_id drop not null,
    add column what jsonb,
    add column meter text,
    -- ids of the switches that were open; null when nobody said
    add column open_switches jsonb;

update reading set what = jsonb_build_object(
    'kind', 'PEAK', 'wire', wire, 'peakV', peak_v, 'overRange', over_range, 'rangeV', range_v);

alter table reading
    alter column what set not null,
    drop column wire,
    drop column peak_v,
    drop column over_range,
    drop column range_v;
