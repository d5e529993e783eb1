BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0005');
CREATE TABLE assortment (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	boxes INTEGER NOT NULL, 
	pot_g DOUBLE, 
	box_vessel_id INTEGER, 
	revision INTEGER NOT NULL, 
	changed_at DATETIME NOT NULL, 
	CONSTRAINT pk_assortment PRIMARY KEY (id), 
	CONSTRAINT ck_assortment_boxes_positive CHECK (boxes > 0), 
	CONSTRAINT fk_assortment_box_vessel_id_vessel FOREIGN KEY(box_vessel_id) REFERENCES vessel (id) ON DELETE SET NULL
);
INSERT INTO "assortment" VALUES(1,'Open evening boxes',20,800.0,15,1,'2026-08-01 17:30:00.000000');
CREATE TABLE assortment_piece (
	id INTEGER NOT NULL, 
	assortment_id INTEGER NOT NULL, 
	position INTEGER NOT NULL, 
	recipe_id INTEGER NOT NULL, 
	vessel_id INTEGER NOT NULL, 
	per_box INTEGER NOT NULL, 
	spares INTEGER NOT NULL, 
	whole_moulds BOOLEAN NOT NULL, 
	ask VARCHAR NOT NULL, 
	CONSTRAINT pk_assortment_piece PRIMARY KEY (id), 
	CONSTRAINT ck_assortment_piece_per_box_positive CHECK (per_box > 0), 
	CONSTRAINT fk_assortment_piece_assortment_id_assortment FOREIGN KEY(assortment_id) REFERENCES assortment (id) ON DELETE CASCADE, 
	CONSTRAINT fk_assortment_piece_recipe_id_recipe FOREIGN KEY(recipe_id) REFERENCES recipe (id) ON DELETE CASCADE, 
	CONSTRAINT fk_assortment_piece_vessel_id_vessel FOREIGN KEY(vessel_id) REFERENCES vessel (id) ON DELETE CASCADE
);
INSERT INTO "assortment_piece" VALUES(1,1,0,6,6,3,2,0,'{"shell": "dark60", "wall_mm": 2.0}');
INSERT INTO "assortment_piece" VALUES(2,1,1,5,5,2,2,0,'{"shell": "milk38", "halves": true}');
INSERT INTO "assortment_piece" VALUES(3,1,2,1,13,3,3,0,'{"shell": "dark60", "coat_mm": 1.0}');
INSERT INTO "assortment_piece" VALUES(4,1,3,3,1,1,0,0,'{"thickness_mm": 16.0}');
CREATE TABLE batch (
	id INTEGER NOT NULL, 
	recipe_id INTEGER, 
	name VARCHAR NOT NULL, 
	version INTEGER, 
	document VARCHAR NOT NULL, 
	choices VARCHAR NOT NULL, 
	fit VARCHAR NOT NULL, 
	probe_id VARCHAR NOT NULL, 
	step INTEGER NOT NULL, 
	started_at DATETIME NOT NULL, 
	ended_at DATETIME, 
	CONSTRAINT pk_batch PRIMARY KEY (id), 
	CONSTRAINT fk_batch_recipe_id_recipe FOREIGN KEY(recipe_id) REFERENCES recipe (id) ON DELETE SET NULL
);
INSERT INTO "batch" VALUES(1,9,'Hill-top boiled fudge',NULL,'{"format": "hearth-bowl/recipe", "version": 1, "name": "Hill-top boiled fudge", "family": "boiled-fudge", "use": "cut", "lines": [{"ingredient": "sugar_granulated", "amount": 450.0, "amount_high": null, "unit": "g", "measure": "metric", "stage": "boil", "pinned": false, "proposed": false, "pack_g": null, "piece_g": null}, {"ingredient": "milk_whole", "amount": 300.0, "amount_high": null, "unit": "g", "measure": "metric", "stage": "boil", "pinned": false, "proposed": false, "pack_g": null, "piece_g": null}, {"ingredient": "butter82", "amount": 60.0, "amount_high": null, "unit": "g", "measure": "metric", "stage": "boil", "pinned": false, "proposed": false, "pack_g": null, "piece_g": null}, {"ingredient": "glucose_syrup40", "amount": 30.0, "amount_high": null, "unit": "g", "measure": "metric", "stage": "boil", "pinned": false, "proposed": false, "pack_g": null, "piece_g": null}], "steps": [], "method": null}','{"heat": "pan", "liquid": "scald", "wait": "stand", "butter": "late", "spirit": "late", "temper": "seed", "rest": "room"}','{"vessel": {"kind": "pan", "shape": "rectangle", "length_mm": 200, "width_mm": 200, "depth_mm": 25, "corner_mm": 8}, "vessel_name": "Square tin, 20 cm", "ask": {"thickness_mm": 16.0, "loss_pct": 5.0}}','by-hand',5,'2026-08-08 17:00:00.000000','2026-08-08 19:10:00.000000');
INSERT INTO "batch" VALUES(2,1,'Night-sky truffles',1,'{"format": "hearth-bowl/recipe", "version": 1, "name": "Night-sky truffles", "family": "cream-ganache", "use": "roll", "lines": [{"ingredient": "cream35", "amount": 210.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "glucose_syrup40", "amount": 28.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "dark64", "amount": 390.0, "unit": "g", "measure": "metric", "stage": "pour-over", "pinned": false}, {"ingredient": "butter82", "amount": 20.0, "unit": "g", "measure": "metric", "stage": "stir-in-cool", "pinned": false}, {"ingredient": "salt", "amount": 1.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}], "steps": []}','{"heat": "pan", "liquid": "scald", "wait": "stand", "butter": "late", "spirit": "late", "temper": "seed", "rest": "cool-first"}','{"vessel": {"kind": "pieces", "shape": "ball", "piece_g": 12}, "vessel_name": "Rolled, 12 g each", "ask": {"pieces": 40, "shell": "dark60", "coat_mm": 1.0, "coated": 30, "core_g": 2.0, "rolling": "cocoa", "loss_pct": 3.0}}','stand-in',1,'2026-08-08 20:00:00.000000',NULL);
CREATE TABLE batch_event (
	id INTEGER NOT NULL, 
	batch_id INTEGER NOT NULL, 
	client_key VARCHAR NOT NULL, 
	at DATETIME NOT NULL, 
	kind VARCHAR NOT NULL, 
	data VARCHAR NOT NULL, 
	CONSTRAINT pk_batch_event PRIMARY KEY (id), 
	CONSTRAINT fk_batch_event_batch_id_batch FOREIGN KEY(batch_id) REFERENCES batch (id) ON DELETE CASCADE, 
	CONSTRAINT uq_batch_event_batch_id UNIQUE (batch_id, client_key)
);
INSERT INTO "batch_event" VALUES(1,1,'start','2026-08-08 17:00:00.000000','step','{"step": 0, "key": "dissolve"}');
INSERT INTO "batch_event" VALUES(2,1,'k0','2026-08-08 17:01:00.000000','weight','{"g": 452.0, "position": 0, "step": "dissolve"}');
INSERT INTO "batch_event" VALUES(3,1,'k1','2026-08-08 17:06:00.000000','step','{"c": 101.0, "key": "boil", "step": 1}');
INSERT INTO "batch_event" VALUES(4,1,'k2','2026-08-08 17:08:00.000000','mark','{"c": 101.5, "name": "boil"}');
INSERT INTO "batch_event" VALUES(5,1,'k3','2026-08-08 17:20:00.000000','pan','{"now_g": 1780.0, "start_g": 1900.0}');
INSERT INTO "batch_event" VALUES(6,1,'k4','2026-08-08 17:29:00.000000','gate','{"answer": "yes", "c": 113.0, "gate": "cue", "key": "boil"}');
INSERT INTO "batch_event" VALUES(7,1,'k5','2026-08-08 17:30:00.000000','step','{"key": "cool-still", "step": 2}');
INSERT INTO "batch_event" VALUES(8,1,'k6','2026-08-08 17:32:00.000000','probe','{"probe_id": "by-hand", "before": "kitchen probe"}');
INSERT INTO "batch_event" VALUES(9,1,'k7','2026-08-08 17:33:00.000000','note','{"text": "Clouds over the dome."}');
INSERT INTO "batch_event" VALUES(10,1,'k8','2026-08-08 18:00:00.000000','step','{"key": "beat", "step": 3}');
INSERT INTO "batch_event" VALUES(11,1,'k9','2026-08-08 18:10:00.000000','step','{"key": "set", "step": 5}');
INSERT INTO "batch_event" VALUES(12,1,'k10','2026-08-08 18:11:00.000000','set','{"start": {"base": null, "bowl_kg": null, "cover": "film", "from_c": 40.0, "place": "fridge", "state": "cut", "thickness_mm": 16.0}}');
INSERT INTO "batch_event" VALUES(13,1,'k11','2026-08-08 18:40:00.000000','set','{"after_s": 1740.0, "now_c": 27.0, "state": "cut"}');
INSERT INTO "batch_event" VALUES(14,1,'k12','2026-08-08 18:50:00.000000','set','{"after_s": 2340.0, "passed": false, "state": "cut"}');
INSERT INTO "batch_event" VALUES(15,1,'k13','2026-08-08 19:10:00.000000','end','{}');
INSERT INTO "batch_event" VALUES(16,1,'k14','2026-08-08 19:20:00.000000','verdict','{"text": "A little more salt.", "words": ["silky", "just right"]}');
INSERT INTO "batch_event" VALUES(17,2,'start','2026-08-08 20:00:00.000000','step','{"step": 1, "key": "warm"}');
INSERT INTO "batch_event" VALUES(18,2,'x1','2026-08-08 20:00:00.000000','burst','{"first": true, "rated_w": 800.0, "seconds": 25.0}');
INSERT INTO "batch_event" VALUES(19,2,'x2','2026-08-08 20:00:00.000000','spill','{"amounts_g": {"2": 350.0}, "g": 200.0}');
CREATE TABLE larder_item (
	id INTEGER NOT NULL, 
	label VARCHAR NOT NULL, 
	own_ingredient VARCHAR, 
	pack_g DOUBLE, 
	price DOUBLE, 
	country VARCHAR NOT NULL, 
	in_house_g DOUBLE, other_packs VARCHAR DEFAULT '[]' NOT NULL, 
	CONSTRAINT pk_larder_item PRIMARY KEY (id), 
	CONSTRAINT ck_larder_item_in_house_not_negative CHECK (in_house_g >= 0), 
	CONSTRAINT ck_larder_item_pack_positive CHECK (pack_g > 0), 
	CONSTRAINT ck_larder_item_price_not_negative CHECK (price >= 0), 
	CONSTRAINT uq_larder_item_label UNIQUE (label)
);
INSERT INTO "larder_item" VALUES(1,'cream35',NULL,500.0,2.4,'',500.0,'[]');
INSERT INTO "larder_item" VALUES(2,'dark55',NULL,1000.0,13.5,'',900.0,'[]');
INSERT INTO "larder_item" VALUES(3,'dark60',NULL,1000.0,14.0,'',750.0,'[]');
INSERT INTO "larder_item" VALUES(4,'dark64',NULL,1000.0,15.2,'',400.0,'[]');
INSERT INTO "larder_item" VALUES(5,'milk38',NULL,1000.0,13.8,'',600.0,'[]');
INSERT INTO "larder_item" VALUES(6,'white32',NULL,1000.0,13.2,'',450.0,'[]');
INSERT INTO "larder_item" VALUES(7,'butter82',NULL,250.0,2.6,'',250.0,'[]');
INSERT INTO "larder_item" VALUES(8,'condensed_sweet',NULL,397.0,2.1,'',794.0,'[]');
INSERT INTO "larder_item" VALUES(9,'glucose_syrup40',NULL,500.0,3.9,'',320.0,'[]');
INSERT INTO "larder_item" VALUES(10,'invert_syrup',NULL,500.0,4.2,'',180.0,'[]');
INSERT INTO "larder_item" VALUES(11,'honey',NULL,340.0,4.5,'',200.0,'[]');
INSERT INTO "larder_item" VALUES(12,'hazelnut_paste',NULL,500.0,11.5,'',260.0,'[]');
INSERT INTO "larder_item" VALUES(13,'sugar_icing',NULL,500.0,1.2,'',500.0,'[]');
INSERT INTO "larder_item" VALUES(14,'salt',NULL,750.0,0.6,'',NULL,'[]');
INSERT INTO "larder_item" VALUES(15,'cocoa_powder_21',NULL,250.0,4.2,'',180.0,'[]');
INSERT INTO "larder_item" VALUES(16,'sugar_caster',NULL,1000.0,1.5,'',600.0,'[]');
INSERT INTO "larder_item" VALUES(17,'whole_powder',NULL,400.0,5.2,'',150.0,'[]');
INSERT INTO "larder_item" VALUES(18,'Rye malt powder','{"name": "Rye malt powder", "composition_pct": {"water": 5.0, "other": 95.0}, "kind": "other", "other_fat_kind": "oil", "allergens": ["gluten"], "allergens_named": ["rye"], "density_g_per_ml": 0.55, "higher_molar_mass_g_per_mol": 800.0, "spoon_g_per_ml": 0.55, "energy_kcal_per_100g": 247.0}',200.0,3.2,'',150.0,'[]');
CREATE TABLE probe (
	id VARCHAR NOT NULL, 
	name VARCHAR NOT NULL, 
	speed DOUBLE NOT NULL, 
	CONSTRAINT pk_probe PRIMARY KEY (id)
);
INSERT INTO "probe" VALUES('kitchen probe','kitchen probe',1.0);
INSERT INTO "probe" VALUES('by-hand','by-hand',1.0);
INSERT INTO "probe" VALUES('stand-in','stand-in',1.0);
CREATE TABLE reading (
	id INTEGER NOT NULL, 
	probe_id VARCHAR NOT NULL, 
	at DATETIME NOT NULL, 
	shown_c DOUBLE, 
	CONSTRAINT pk_reading PRIMARY KEY (id), 
	CONSTRAINT fk_reading_probe_id_probe FOREIGN KEY(probe_id) REFERENCES probe (id) ON DELETE CASCADE
);
INSERT INTO "reading" VALUES(1,'kitchen probe','2026-08-08 17:00:00.000000',20.0);
INSERT INTO "reading" VALUES(2,'kitchen probe','2026-08-08 17:00:30.000000',21.45);
INSERT INTO "reading" VALUES(3,'kitchen probe','2026-08-08 17:01:00.000000',22.9);
INSERT INTO "reading" VALUES(4,'kitchen probe','2026-08-08 17:01:30.000000',24.35);
INSERT INTO "reading" VALUES(5,'kitchen probe','2026-08-08 17:02:00.000000',25.8);
INSERT INTO "reading" VALUES(6,'kitchen probe','2026-08-08 17:02:30.000000',27.25);
INSERT INTO "reading" VALUES(7,'kitchen probe','2026-08-08 17:03:00.000000',28.7);
INSERT INTO "reading" VALUES(8,'kitchen probe','2026-08-08 17:03:30.000000',30.15);
INSERT INTO "reading" VALUES(9,'kitchen probe','2026-08-08 17:04:00.000000',31.6);
INSERT INTO "reading" VALUES(10,'kitchen probe','2026-08-08 17:04:30.000000',33.05);
INSERT INTO "reading" VALUES(11,'kitchen probe','2026-08-08 17:05:00.000000',34.5);
INSERT INTO "reading" VALUES(12,'kitchen probe','2026-08-08 17:05:30.000000',35.95);
INSERT INTO "reading" VALUES(13,'kitchen probe','2026-08-08 17:06:00.000000',37.4);
INSERT INTO "reading" VALUES(14,'kitchen probe','2026-08-08 17:06:30.000000',3.88499999999999943165e+01);
INSERT INTO "reading" VALUES(15,'kitchen probe','2026-08-08 17:07:00.000000',40.3);
INSERT INTO "reading" VALUES(16,'kitchen probe','2026-08-08 17:07:30.000000',41.75);
INSERT INTO "reading" VALUES(17,'kitchen probe','2026-08-08 17:08:00.000000',43.2);
INSERT INTO "reading" VALUES(18,'kitchen probe','2026-08-08 17:08:30.000000',44.65);
INSERT INTO "reading" VALUES(19,'kitchen probe','2026-08-08 17:09:00.000000',4.60999999999999943156e+01);
INSERT INTO "reading" VALUES(20,'kitchen probe','2026-08-08 17:09:30.000000',47.55);
INSERT INTO "reading" VALUES(21,'kitchen probe','2026-08-08 17:10:00.000000',49.0);
INSERT INTO "reading" VALUES(22,'kitchen probe','2026-08-08 17:10:30.000000',50.45);
INSERT INTO "reading" VALUES(23,'kitchen probe','2026-08-08 17:11:00.000000',51.9);
INSERT INTO "reading" VALUES(24,'kitchen probe','2026-08-08 17:11:30.000000',53.35);
INSERT INTO "reading" VALUES(25,'kitchen probe','2026-08-08 17:12:00.000000',54.8);
INSERT INTO "reading" VALUES(26,'kitchen probe','2026-08-08 17:12:30.000000',56.25);
INSERT INTO "reading" VALUES(27,'kitchen probe','2026-08-08 17:13:00.000000',5.76999999999999957367e+01);
INSERT INTO "reading" VALUES(28,'kitchen probe','2026-08-08 17:13:30.000000',59.15);
INSERT INTO "reading" VALUES(29,'kitchen probe','2026-08-08 17:14:00.000000',60.6);
INSERT INTO "reading" VALUES(30,'kitchen probe','2026-08-08 17:14:30.000000',62.05);
INSERT INTO "reading" VALUES(31,'kitchen probe','2026-08-08 17:15:00.000000',63.5);
INSERT INTO "reading" VALUES(32,'kitchen probe','2026-08-08 17:15:30.000000',6.49499999999999886321e+01);
INSERT INTO "reading" VALUES(33,'kitchen probe','2026-08-08 17:16:00.000000',66.4);
INSERT INTO "reading" VALUES(34,'kitchen probe','2026-08-08 17:16:30.000000',67.85);
INSERT INTO "reading" VALUES(35,'kitchen probe','2026-08-08 17:17:00.000000',69.3);
INSERT INTO "reading" VALUES(36,'kitchen probe','2026-08-08 17:17:30.000000',70.75);
INSERT INTO "reading" VALUES(37,'kitchen probe','2026-08-08 17:18:00.000000',7.21999999999999886313e+01);
INSERT INTO "reading" VALUES(38,'kitchen probe','2026-08-08 17:18:30.000000',73.65);
INSERT INTO "reading" VALUES(39,'kitchen probe','2026-08-08 17:19:00.000000',75.1);
INSERT INTO "reading" VALUES(40,'kitchen probe','2026-08-08 17:19:30.000000',76.55);
INSERT INTO "reading" VALUES(41,'kitchen probe','2026-08-08 17:20:00.000000',78.0);
INSERT INTO "reading" VALUES(42,'kitchen probe','2026-08-08 17:20:30.000000',7.94499999999999886304e+01);
INSERT INTO "reading" VALUES(43,'kitchen probe','2026-08-08 17:21:00.000000',80.9);
INSERT INTO "reading" VALUES(44,'kitchen probe','2026-08-08 17:21:30.000000',82.35);
INSERT INTO "reading" VALUES(45,'kitchen probe','2026-08-08 17:22:00.000000',83.8);
INSERT INTO "reading" VALUES(46,'kitchen probe','2026-08-08 17:22:30.000000',85.25);
INSERT INTO "reading" VALUES(47,'kitchen probe','2026-08-08 17:23:00.000000',86.7);
INSERT INTO "reading" VALUES(48,'kitchen probe','2026-08-08 17:23:30.000000',8.814999999999999147e+01);
INSERT INTO "reading" VALUES(49,'kitchen probe','2026-08-08 17:24:00.000000',89.6);
INSERT INTO "reading" VALUES(50,'kitchen probe','2026-08-08 17:24:30.000000',91.05);
INSERT INTO "reading" VALUES(51,'kitchen probe','2026-08-08 17:25:00.000000',92.5);
INSERT INTO "reading" VALUES(52,'kitchen probe','2026-08-08 17:25:30.000000',93.95);
INSERT INTO "reading" VALUES(53,'kitchen probe','2026-08-08 17:26:00.000000',9.53999999999999914734e+01);
INSERT INTO "reading" VALUES(54,'kitchen probe','2026-08-08 17:26:30.000000',96.85);
INSERT INTO "reading" VALUES(55,'kitchen probe','2026-08-08 17:27:00.000000',98.3);
INSERT INTO "reading" VALUES(56,'kitchen probe','2026-08-08 17:27:30.000000',99.75);
INSERT INTO "reading" VALUES(57,'kitchen probe','2026-08-08 17:28:00.000000',101.2);
INSERT INTO "reading" VALUES(58,'kitchen probe','2026-08-08 17:28:30.000000',1.02649999999999991468e+02);
INSERT INTO "reading" VALUES(59,'kitchen probe','2026-08-08 17:29:00.000000',104.1);
INSERT INTO "reading" VALUES(60,'kitchen probe','2026-08-08 17:29:30.000000',105.55);
INSERT INTO "reading" VALUES(61,'kitchen probe','2026-08-08 17:31:00.000000',NULL);
CREATE TABLE recipe (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	family VARCHAR NOT NULL, 
	use VARCHAR, 
	steps VARCHAR NOT NULL, 
	revision INTEGER NOT NULL, 
	created_at DATETIME NOT NULL, 
	changed_at DATETIME NOT NULL, method VARCHAR, 
	CONSTRAINT pk_recipe PRIMARY KEY (id)
);
INSERT INTO "recipe" VALUES(1,'Night-sky truffles','cream-ganache','roll','[]',1,'2026-08-01 17:30:00.000000','2026-08-01 17:30:00.000000',NULL);
INSERT INTO "recipe" VALUES(2,'White-dome piping ganache','cream-ganache','pipe','[]',1,'2026-08-01 17:30:00.000000','2026-08-01 17:30:00.000000',NULL);
INSERT INTO "recipe" VALUES(3,'Hill-top fudge squares','condensed-milk-fudge','cut','[]',1,'2026-08-01 17:30:00.000000','2026-08-01 17:30:00.000000',NULL);
INSERT INTO "recipe" VALUES(4,'Eyepiece hazelnut paste','nut-paste','roll','[]',1,'2026-08-01 17:30:00.000000','2026-08-01 17:30:00.000000',NULL);
INSERT INTO "recipe" VALUES(5,'First-light milk filling','cream-ganache','fill-shell','[]',1,'2026-08-01 17:30:00.000000','2026-08-01 17:30:00.000000',NULL);
INSERT INTO "recipe" VALUES(6,'Late-watch coffee centres','cream-ganache','fill-shell','[]',1,'2026-08-01 17:30:00.000000','2026-08-01 17:30:00.000000',NULL);
INSERT INTO "recipe" VALUES(7,'Moonrise cocoa mix','dry-mix','drink','[]',1,'2026-08-01 17:30:00.000000','2026-08-01 17:30:00.000000',NULL);
INSERT INTO "recipe" VALUES(8,'Rye-malt meteors','cream-ganache','roll','["Warm the cream.", {"text": "Melt the chocolate."}]',1,'2026-11-26 04:05:45.610014','2026-11-26 04:05:45.610014','into-melted');
INSERT INTO "recipe" VALUES(9,'Hill-top boiled fudge','boiled-fudge','cut','[]',1,'2026-11-26 04:05:45.634663','2026-11-26 04:05:45.634663',NULL);
CREATE TABLE recipe_fit (
	recipe_id INTEGER NOT NULL, 
	vessel_id INTEGER, 
	document VARCHAR NOT NULL, 
	changed_at DATETIME NOT NULL, 
	CONSTRAINT pk_recipe_fit PRIMARY KEY (recipe_id), 
	CONSTRAINT fk_recipe_fit_recipe_id_recipe FOREIGN KEY(recipe_id) REFERENCES recipe (id) ON DELETE CASCADE, 
	CONSTRAINT fk_recipe_fit_vessel_id_vessel FOREIGN KEY(vessel_id) REFERENCES vessel (id) ON DELETE SET NULL
);
INSERT INTO "recipe_fit" VALUES(1,13,'{"ask": {"pieces": 40, "shell": "dark60", "coat_mm": 1.0, "coated": 30, "core_g": 2.0, "rolling": "cocoa", "loss_pct": 3.0}, "layers": [], "fillings": []}','2026-11-26 04:05:45.678996');
INSERT INTO "recipe_fit" VALUES(2,12,'{"ask": {"shell": "none", "loss_pct": 5.0}, "layers": [], "fillings": []}','2026-11-26 04:05:45.689299');
INSERT INTO "recipe_fit" VALUES(3,1,'{"ask": {"piece_mm": [25.0, 25.0], "trim_mm": 2.0, "kerf_mm": 1.0, "shell": "none", "loss_pct": 5.0}, "layers": [{"recipe_id": 3, "thickness_mm": 9.0, "on_top": false, "texture": "soft", "lumps": false}, {"recipe_id": 1, "share": 1.0, "on_top": false, "texture": "soft", "lumps": false}], "fillings": []}','2026-11-26 04:05:45.653119');
INSERT INTO "recipe_fit" VALUES(5,5,'{"ask": {"pieces": 48, "spares": 2, "wall_mm": 1.8, "cap_mm": 1.2, "headroom_mm": 0.4, "shell": "milk38", "loss_pct": 4.0}, "layers": [], "fillings": [{"recipe_id": 5, "on_top": false, "texture": "soft", "lumps": false}, {"recipe_id": 4, "ml": 1.0, "on_top": false, "texture": "crunchy", "lumps": false}]}','2026-11-26 04:05:45.668212');
INSERT INTO "recipe_fit" VALUES(7,10,'{"ask": {"shell": "dark60", "halves": true, "wall_mm": 1.8, "mass_g": 565.0, "mix_g_per_cup": 28.0, "mug_mm": 80.0}}','2026-08-01 17:30:00.000000');
INSERT INTO "recipe_fit" VALUES(9,1,'{"ask": {"thickness_mm": 16.0, "loss_pct": 5.0}, "layers": [], "fillings": []}','2026-11-26 04:05:45.698936');
CREATE TABLE "recipe_line" (
	id INTEGER NOT NULL, 
	recipe_id INTEGER NOT NULL, 
	position INTEGER NOT NULL, 
	ingredient_key VARCHAR, 
	own_ingredient VARCHAR, 
	amount DOUBLE NOT NULL, 
	amount_high DOUBLE, 
	unit VARCHAR NOT NULL, 
	measure VARCHAR NOT NULL, 
	stage VARCHAR NOT NULL, 
	pinned BOOLEAN NOT NULL, 
	pack_g DOUBLE, 
	piece_g DOUBLE, 
	proposed BOOLEAN DEFAULT 0 NOT NULL, 
	CONSTRAINT pk_recipe_line PRIMARY KEY (id), 
	CONSTRAINT uq_recipe_line_recipe_id UNIQUE (recipe_id, position), 
	CONSTRAINT ck_recipe_line_amount_not_negative CHECK (amount >= 0), 
	CONSTRAINT ck_recipe_line_one_ingredient CHECK ((ingredient_key IS NULL) <> (own_ingredient IS NULL)), 
	CONSTRAINT fk_recipe_line_recipe_id_recipe FOREIGN KEY(recipe_id) REFERENCES recipe (id) ON DELETE CASCADE
);
INSERT INTO "recipe_line" VALUES(1,1,0,'cream35',NULL,210.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(2,1,1,'glucose_syrup40',NULL,28.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(3,1,2,'dark64',NULL,390.0,NULL,'g','metric','pour-over',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(4,1,3,'butter82',NULL,20.0,NULL,'g','metric','stir-in-cool',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(5,1,4,'salt',NULL,1.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(6,2,0,'cream35',NULL,150.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(7,2,1,'invert_syrup',NULL,12.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(8,2,2,'white32',NULL,320.0,NULL,'g','metric','melt',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(9,2,3,'lemon_juice',NULL,2.0,NULL,'tsp','metric','late',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(10,3,0,'condensed_sweet',NULL,397.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(11,3,1,'dark55',NULL,420.0,NULL,'g','metric','melt',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(12,3,2,'butter82',NULL,30.0,NULL,'g','metric','melt',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(13,3,3,'vanilla_extract',NULL,1.0,NULL,'tsp','metric','late',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(14,3,4,'salt',NULL,2.0,NULL,'pinch','metric','late',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(15,4,0,'hazelnut_paste',NULL,180.0,NULL,'g','metric','melt',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(16,4,1,'milk38',NULL,200.0,NULL,'g','metric','melt',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(17,4,2,'cocoa_butter',NULL,8.0,NULL,'g','metric','melt',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(18,4,3,'sugar_icing',NULL,60.0,NULL,'g','metric','fold-in',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(19,4,4,'salt',NULL,1.0,NULL,'g','metric','fold-in',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(20,5,0,'cream35',NULL,130.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(21,5,1,'honey',NULL,20.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(22,5,2,'milk38',NULL,220.0,NULL,'g','metric','pour-over',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(23,5,3,'hazelnut_paste',NULL,25.0,NULL,'g','metric','stir-in-cool',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(24,6,0,'cream35',NULL,140.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(25,6,1,'coffee_instant',NULL,2.0,NULL,'tsp','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(26,6,2,'glucose_syrup40',NULL,24.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(27,6,3,'dark60',NULL,215.0,NULL,'g','metric','pour-over',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(28,6,4,'liqueur25',NULL,20.0,NULL,'ml','metric','late',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(29,7,0,'cocoa_powder_21',NULL,165.0,NULL,'g','metric','',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(30,7,1,'sugar_caster',NULL,260.0,NULL,'g','metric','',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(31,7,2,'whole_powder',NULL,140.0,NULL,'g','metric','',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(32,7,3,'salt',NULL,2.0,NULL,'pinch','metric','',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(33,8,0,'cream35',NULL,214.0,NULL,'g','metric','warm',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(34,8,1,NULL,'{"name": "Rye malt powder", "composition_pct": {"water": 5.0, "other": 95.0}, "kind": "other", "other_fat_kind": "oil", "allergens": ["gluten"], "allergens_named": ["rye"], "density_g_per_ml": 0.55, "higher_molar_mass_g_per_mol": 800.0, "spoon_g_per_ml": 0.55, "energy_kcal_per_100g": 247.0}',2.0,3.0,'tbsp','us','fold-in',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(35,8,2,'dark64',NULL,460.0,NULL,'g','metric','pour-over',1,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(36,8,3,'salt',NULL,1.0,NULL,'pinch','metric','',0,NULL,NULL,1);
INSERT INTO "recipe_line" VALUES(37,8,4,'condensed_sweet',NULL,1.0,NULL,'tin','metric','',0,397.0,NULL,0);
INSERT INTO "recipe_line" VALUES(38,9,0,'sugar_granulated',NULL,450.0,NULL,'g','metric','boil',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(39,9,1,'milk_whole',NULL,300.0,NULL,'g','metric','boil',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(40,9,2,'butter82',NULL,60.0,NULL,'g','metric','boil',0,NULL,NULL,0);
INSERT INTO "recipe_line" VALUES(41,9,3,'glucose_syrup40',NULL,30.0,NULL,'g','metric','boil',0,NULL,NULL,0);
CREATE TABLE recipe_version (
	id INTEGER NOT NULL, 
	recipe_id INTEGER NOT NULL, 
	number INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	document VARCHAR NOT NULL, 
	compositions VARCHAR NOT NULL, 
	kept_at DATETIME NOT NULL, 
	CONSTRAINT pk_recipe_version PRIMARY KEY (id), 
	CONSTRAINT fk_recipe_version_recipe_id_recipe FOREIGN KEY(recipe_id) REFERENCES recipe (id) ON DELETE CASCADE, 
	CONSTRAINT uq_recipe_version_recipe_id UNIQUE (recipe_id, number)
);
INSERT INTO "recipe_version" VALUES(1,1,1,'As first made','{"format": "hearth-bowl/recipe", "version": 1, "name": "Night-sky truffles", "family": "cream-ganache", "use": "roll", "lines": [{"ingredient": "cream35", "amount": 210.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "glucose_syrup40", "amount": 28.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "dark64", "amount": 390.0, "unit": "g", "measure": "metric", "stage": "pour-over", "pinned": false}, {"ingredient": "butter82", "amount": 20.0, "unit": "g", "measure": "metric", "stage": "stir-in-cool", "pinned": false}, {"ingredient": "salt", "amount": 1.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}], "steps": []}','{"cream35": {"water": 59.15, "cocoa_butter": 0.0, "milk_fat": 35.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 3.1, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 2.75, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "glucose_syrup40": {"water": 19.5, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 13.7, "fructose": 0.0, "maltose": 10.5, "higher": 56.3, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "dark64": {"water": 0.9, "cocoa_butter": 39.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 24.1, "sucrose": 35.5, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.5}, "butter82": {"water": 16.0, "cocoa_butter": 0.0, "milk_fat": 82.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.7, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 1.3, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "salt": {"water": 0.0, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 100.0, "other": 0.0}}','2026-08-01 17:30:00.000000');
INSERT INTO "recipe_version" VALUES(2,2,1,'As first made','{"format": "hearth-bowl/recipe", "version": 1, "name": "White-dome piping ganache", "family": "cream-ganache", "use": "pipe", "lines": [{"ingredient": "cream35", "amount": 150.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "invert_syrup", "amount": 12.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "white32", "amount": 320.0, "unit": "g", "measure": "metric", "stage": "melt", "pinned": false}, {"ingredient": "lemon_juice", "amount": 2.0, "unit": "tsp", "measure": "metric", "stage": "late", "pinned": false}], "steps": []}','{"cream35": {"water": 59.15, "cocoa_butter": 0.0, "milk_fat": 35.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 3.1, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 2.75, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "invert_syrup": {"water": 23.0, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 5.0, "lactose": 0.0, "glucose": 36.0, "fructose": 36.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "white32": {"water": 0.7, "cocoa_butter": 32.0, "milk_fat": 6.2, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 44.5, "lactose": 8.7, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 7.4, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.5}, "lemon_juice": {"water": 91.0, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.4, "lactose": 0.0, "glucose": 1.0, "fructose": 1.1, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 6.5}}','2026-08-01 17:30:00.000000');
INSERT INTO "recipe_version" VALUES(3,3,1,'As first made','{"format": "hearth-bowl/recipe", "version": 1, "name": "Hill-top fudge squares", "family": "condensed-milk-fudge", "use": "cut", "lines": [{"ingredient": "condensed_sweet", "amount": 397.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "dark55", "amount": 420.0, "unit": "g", "measure": "metric", "stage": "melt", "pinned": false}, {"ingredient": "butter82", "amount": 30.0, "unit": "g", "measure": "metric", "stage": "melt", "pinned": false}, {"ingredient": "vanilla_extract", "amount": 1.0, "unit": "tsp", "measure": "metric", "stage": "late", "pinned": false}, {"ingredient": "salt", "amount": 2.0, "unit": "pinch", "measure": "metric", "stage": "late", "pinned": false}], "steps": []}','{"condensed_sweet": {"water": 27.0, "cocoa_butter": 0.0, "milk_fat": 8.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 44.0, "lactose": 11.6, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 9.4, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "dark55": {"water": 0.7, "cocoa_butter": 36.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 18.3, "sucrose": 44.5, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.5}, "butter82": {"water": 16.0, "cocoa_butter": 0.0, "milk_fat": 82.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.7, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 1.3, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "vanilla_extract": {"water": 52.6, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 12.7, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 34.4, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.3}, "salt": {"water": 0.0, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 100.0, "other": 0.0}}','2026-08-01 17:30:00.000000');
INSERT INTO "recipe_version" VALUES(4,4,1,'As first made','{"format": "hearth-bowl/recipe", "version": 1, "name": "Eyepiece hazelnut paste", "family": "nut-paste", "use": "roll", "lines": [{"ingredient": "hazelnut_paste", "amount": 180.0, "unit": "g", "measure": "metric", "stage": "melt", "pinned": false}, {"ingredient": "milk38", "amount": 200.0, "unit": "g", "measure": "metric", "stage": "melt", "pinned": false}, {"ingredient": "cocoa_butter", "amount": 8.0, "unit": "g", "measure": "metric", "stage": "melt", "pinned": false}, {"ingredient": "sugar_icing", "amount": 60.0, "unit": "g", "measure": "metric", "stage": "fold-in", "pinned": false}, {"ingredient": "salt", "amount": 1.0, "unit": "g", "measure": "metric", "stage": "fold-in", "pinned": false}], "steps": []}','{"hazelnut_paste": {"water": 1.5, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 62.5, "cocoa_nonfat": 0.0, "sucrose": 4.5, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 31.5}, "milk38": {"water": 1.0, "cocoa_butter": 31.0, "milk_fat": 6.2, "other_fat": 0.0, "cocoa_nonfat": 6.7, "sucrose": 38.5, "lactose": 8.7, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 7.4, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.5}, "cocoa_butter": {"water": 0.0, "cocoa_butter": 100.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "sugar_icing": {"water": 0.3, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 96.7, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 3.0}, "salt": {"water": 0.0, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 100.0, "other": 0.0}}','2026-08-01 17:30:00.000000');
INSERT INTO "recipe_version" VALUES(5,5,1,'As first made','{"format": "hearth-bowl/recipe", "version": 1, "name": "First-light milk filling", "family": "cream-ganache", "use": "fill-shell", "lines": [{"ingredient": "cream35", "amount": 130.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "honey", "amount": 20.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "milk38", "amount": 220.0, "unit": "g", "measure": "metric", "stage": "pour-over", "pinned": false}, {"ingredient": "hazelnut_paste", "amount": 25.0, "unit": "g", "measure": "metric", "stage": "stir-in-cool", "pinned": false}], "steps": []}','{"cream35": {"water": 59.15, "cocoa_butter": 0.0, "milk_fat": 35.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 3.1, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 2.75, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "honey": {"water": 17.2, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 1.3, "lactose": 0.0, "glucose": 31.0, "fructose": 38.2, "maltose": 7.3, "higher": 1.5, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 3.5}, "milk38": {"water": 1.0, "cocoa_butter": 31.0, "milk_fat": 6.2, "other_fat": 0.0, "cocoa_nonfat": 6.7, "sucrose": 38.5, "lactose": 8.7, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 7.4, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.5}, "hazelnut_paste": {"water": 1.5, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 62.5, "cocoa_nonfat": 0.0, "sucrose": 4.5, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 31.5}}','2026-08-01 17:30:00.000000');
INSERT INTO "recipe_version" VALUES(6,6,1,'As first made','{"format": "hearth-bowl/recipe", "version": 1, "name": "Late-watch coffee centres", "family": "cream-ganache", "use": "fill-shell", "lines": [{"ingredient": "cream35", "amount": 140.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "coffee_instant", "amount": 2.0, "unit": "tsp", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "glucose_syrup40", "amount": 24.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": "dark60", "amount": 215.0, "unit": "g", "measure": "metric", "stage": "pour-over", "pinned": false}, {"ingredient": "liqueur25", "amount": 20.0, "unit": "ml", "measure": "metric", "stage": "late", "pinned": false}], "steps": []}','{"cream35": {"water": 59.15, "cocoa_butter": 0.0, "milk_fat": 35.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 3.1, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 2.75, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "coffee_instant": {"water": 3.0, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 97.0}, "glucose_syrup40": {"water": 19.5, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 13.7, "fructose": 0.0, "maltose": 10.5, "higher": 56.3, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "dark60": {"water": 0.8, "cocoa_butter": 38.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 21.2, "sucrose": 39.5, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.5}, "liqueur25": {"water": 53.5, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 28.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 18.1, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.4}}','2026-08-01 17:30:00.000000');
INSERT INTO "recipe_version" VALUES(7,7,1,'As first made','{"format": "hearth-bowl/recipe", "version": 1, "name": "Moonrise cocoa mix", "family": "dry-mix", "use": "drink", "lines": [{"ingredient": "cocoa_powder_21", "amount": 165.0, "unit": "g", "measure": "metric", "stage": "", "pinned": false}, {"ingredient": "sugar_caster", "amount": 260.0, "unit": "g", "measure": "metric", "stage": "", "pinned": false}, {"ingredient": "whole_powder", "amount": 140.0, "unit": "g", "measure": "metric", "stage": "", "pinned": false}, {"ingredient": "salt", "amount": 2.0, "unit": "pinch", "measure": "metric", "stage": "", "pinned": false}], "steps": []}','{"cocoa_powder_21": {"water": 4.0, "cocoa_butter": 21.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 75.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "sugar_caster": {"water": 0.05, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 99.95, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "whole_powder": {"water": 3.0, "cocoa_butter": 0.0, "milk_fat": 26.7, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 38.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 32.3, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "salt": {"water": 0.0, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 100.0, "other": 0.0}}','2026-08-01 17:30:00.000000');
INSERT INTO "recipe_version" VALUES(8,8,1,'First light','{"format": "hearth-bowl/recipe", "version": 1, "name": "Rye-malt meteors", "family": "cream-ganache", "use": "roll", "lines": [{"ingredient": "cream35", "amount": 214.0, "unit": "g", "measure": "metric", "stage": "warm", "pinned": false}, {"ingredient": {"name": "Rye malt powder", "composition_pct": {"water": 5.0, "other": 95.0}, "kind": "other", "other_fat_kind": "oil", "allergens": ["gluten"], "allergens_named": ["rye"], "density_g_per_ml": 0.55, "higher_molar_mass_g_per_mol": 800.0, "spoon_g_per_ml": 0.55, "energy_kcal_per_100g": 247.0}, "amount": 2.0, "amount_high": 3.0, "unit": "tbsp", "measure": "us", "stage": "fold-in", "pinned": false}, {"ingredient": "dark64", "amount": 460.0, "unit": "g", "measure": "metric", "stage": "pour-over", "pinned": true}, {"ingredient": "salt", "amount": 1.0, "unit": "pinch", "measure": "metric", "stage": "", "pinned": false, "proposed": true}, {"ingredient": "condensed_sweet", "amount": 1.0, "unit": "tin", "measure": "metric", "stage": "", "pinned": false, "pack_g": 397.0}], "steps": ["Warm the cream.", {"text": "Melt the chocolate."}], "method": "into-melted"}','{"cream35": {"water": 59.15, "cocoa_butter": 0.0, "milk_fat": 35.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 3.1, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 2.75, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}, "Rye malt powder": {"water": 5.0, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 95.0}, "dark64": {"water": 0.9, "cocoa_butter": 39.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 24.1, "sucrose": 35.5, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.5}, "salt": {"water": 0.0, "cocoa_butter": 0.0, "milk_fat": 0.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 0.0, "lactose": 0.0, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 0.0, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 100.0, "other": 0.0}, "condensed_sweet": {"water": 27.0, "cocoa_butter": 0.0, "milk_fat": 8.0, "other_fat": 0.0, "cocoa_nonfat": 0.0, "sucrose": 44.0, "lactose": 11.6, "glucose": 0.0, "fructose": 0.0, "maltose": 0.0, "higher": 0.0, "msnf": 9.4, "ethanol": 0.0, "sorbitol": 0.0, "glycerol": 0.0, "salt": 0.0, "other": 0.0}}','2026-11-26 04:05:45.622912');
CREATE TABLE settings (
	id INTEGER NOT NULL, 
	mass_unit VARCHAR NOT NULL, 
	temperature_unit VARCHAR NOT NULL, 
	measure VARCHAR NOT NULL, 
	kitchen_c DOUBLE NOT NULL, 
	altitude_m DOUBLE NOT NULL, thermometer_in_boiling_water_c DOUBLE, scale_step_g DOUBLE DEFAULT '1' NOT NULL, scale_most_g DOUBLE DEFAULT '5000' NOT NULL, 
	CONSTRAINT pk_settings PRIMARY KEY (id), 
	CONSTRAINT ck_settings_one_row CHECK (id = 1)
);
INSERT INTO "settings" VALUES(1,'g','C','metric',21.0,340.0,99.4,1.0,5000.0);
CREATE TABLE "timer" (
	id INTEGER NOT NULL, 
	batch_id INTEGER, 
	name VARCHAR NOT NULL, 
	ends_at DATETIME NOT NULL, 
	paused_left_s DOUBLE, 
	stopped_at DATETIME, 
	"key" VARCHAR NOT NULL, 
	started_at DATETIME NOT NULL, 
	last_change VARCHAR, 
	CONSTRAINT pk_timer PRIMARY KEY (id), 
	CONSTRAINT fk_timer_batch_id_batch FOREIGN KEY(batch_id) REFERENCES batch (id) ON DELETE CASCADE, 
	CONSTRAINT uq_timer_key UNIQUE ("key")
);
INSERT INTO "timer" VALUES(1,1,'Trays','2026-08-08 17:15:00.000000',NULL,NULL,'t1','2026-08-08 17:05:00.000000',NULL);
INSERT INTO "timer" VALUES(2,NULL,'Second chill','2026-08-09 18:40:00.000000',NULL,NULL,'t2','2026-08-08 18:40:00.000000',NULL);
CREATE TABLE vessel (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	kind VARCHAR NOT NULL, 
	document VARCHAR NOT NULL, owned INTEGER DEFAULT '1' NOT NULL, 
	CONSTRAINT pk_vessel PRIMARY KEY (id)
);
INSERT INTO "vessel" VALUES(1,'Square tin, 20 cm','pan','{"kind": "pan", "shape": "rectangle", "length_mm": 200, "width_mm": 200, "depth_mm": 25, "corner_mm": 8}',1);
INSERT INTO "vessel" VALUES(2,'Tray, 30 by 20 cm','pan','{"kind": "pan", "shape": "rectangle", "length_mm": 300, "width_mm": 200, "depth_mm": 15, "corner_mm": 10}',1);
INSERT INTO "vessel" VALUES(3,'Round tin, 18 cm','pan','{"kind": "pan", "shape": "round", "diameter_mm": 180, "depth_mm": 30}',1);
INSERT INTO "vessel" VALUES(4,'Loaf tin','pan','{"kind": "pan", "shape": "loaf", "length_mm": 210, "width_mm": 95, "rim_length_mm": 240, "rim_width_mm": 120, "depth_mm": 65}',1);
INSERT INTO "vessel" VALUES(5,'Planet mould, 24 half balls','mould','{"kind": "mould", "shape": "hemisphere", "radius_mm": 15, "cavities": 24}',2);
INSERT INTO "vessel" VALUES(6,'Signal cones, 20','mould','{"kind": "mould", "shape": "cone", "rim_radius_mm": 15, "floor_radius_mm": 9, "height_mm": 22, "cavities": 20}',1);
INSERT INTO "vessel" VALUES(7,'Finder bars, 10','mould','{"kind": "mould", "shape": "bar", "length_mm": 80, "width_mm": 24, "depth_mm": 14, "cavities": 10}',1);
INSERT INTO "vessel" VALUES(8,'Star mould, 15, weighed','mould','{"kind": "mould", "shape": "weighed", "water_g": 9.4, "cavities": 15}',1);
INSERT INTO "vessel" VALUES(9,'Comet eggs, 10 halves','mould','{"kind": "mould", "shape": "weighed", "water_g": 14.97, "cavities": 10}',1);
INSERT INTO "vessel" VALUES(10,'Moon mould, 6 half balls','mould','{"kind": "mould", "shape": "hemisphere", "radius_mm": 30, "cavities": 6}',1);
INSERT INTO "vessel" VALUES(11,'Small scoop, 12 ml','scoop','{"kind": "scoop", "shape": "level", "volume_ml": 12}',1);
INSERT INTO "vessel" VALUES(12,'Paper cups, 24','cup','{"kind": "cup", "shape": "paper", "volume_ml": 15, "count": 24}',1);
INSERT INTO "vessel" VALUES(13,'Rolled, 12 g each','pieces','{"kind": "pieces", "shape": "ball", "piece_g": 12}',1);
INSERT INTO "vessel" VALUES(14,'Dome cake, 18 cm','cake','{"kind": "cake", "shape": "round", "diameter_mm": 180, "height_mm": 80, "fillings": 2, "filling_mm": 6, "coat_mm": 5}',1);
INSERT INTO "vessel" VALUES(15,'Gift box for nine','box','{"kind": "box", "shape": "box", "length_mm": 110, "width_mm": 110, "depth_mm": 30}',12);
CREATE TABLE weight (
	id INTEGER NOT NULL, 
	scale_id VARCHAR NOT NULL, 
	at DATETIME NOT NULL, 
	shown_g DOUBLE NOT NULL, 
	CONSTRAINT pk_weight PRIMARY KEY (id)
);
CREATE INDEX ix_recipe_version_recipe_id ON recipe_version (recipe_id);
CREATE TRIGGER recipe_version_never_changes BEFORE UPDATE ON recipe_version BEGIN SELECT RAISE(ABORT, 'a kept version never changes'); END;
CREATE INDEX ix_recipe_line_recipe_id ON recipe_line (recipe_id);
CREATE INDEX ix_assortment_piece_assortment_id ON assortment_piece (assortment_id);
CREATE INDEX ix_batch_recipe_id ON batch (recipe_id);
CREATE INDEX ix_batch_event_batch_id ON batch_event (batch_id);
CREATE INDEX ix_reading_probe_at ON reading (probe_id, at);
CREATE INDEX ix_weight_scale_at ON weight (scale_id, at);
CREATE INDEX ix_timer_batch_id ON timer (batch_id);
COMMIT;
