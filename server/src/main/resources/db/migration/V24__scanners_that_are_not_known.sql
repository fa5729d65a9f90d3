-- a scan whose lightness was taken between the wedge's own ends, as the scanner's curve was not known
alter table wedge_reading add column scanner_known boolean not null default true;
update wedge_reading set scanner_known = false
where origin = 'SCANNER' and note like 'lightness between the paper and black%';
-- fits are made anew, as noise is told in another way
update wedge_reading set fit = null;
