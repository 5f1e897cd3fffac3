UPDATE `tank` SET `facts` = json_remove(json_set(`facts`, '$.practice', json_extract(`facts`, '$.schools')), '$.schools') WHERE json_exists(`facts`, '$.schools');--> statement-breakpoint
UPDATE `tank_kind` SET `facts` = json_remove(json_set(`facts`, '$.practice', json_extract(`facts`, '$.schools')), '$.schools') WHERE json_exists(`facts`, '$.schools');--> statement-breakpoint
UPDATE `desk_change` SET `field` = concat('practice.', substr(`field`, 9)) WHERE `field` LIKE 'schools.%';
