/** The names of the rules of the catalogue of version 0.1 by their places then: what migration 0007 rewrites by. Never edited. */
export const RULE_NAMES_OF_0_1 = `
EXT34-IMM.P1.allow p1-active-passive-dip p1-active-mp-wrist
EXT34-IMM.P1.forbid p1-no-motion-pip
EXT34-IMM.P2.allow p2-active-pip-dip
EXT34-IMM.P2.forbid p2-no-active-assisted-held-pip-flex p2-no-passive-stretch-resisted-pip-flex p2-no-fist-hook-cx-flex-wf
EXT34-IMM.P3.allow p3-active-assisted-held-pip-dip p3-fist-hook
EXT34-IMM.P3.forbid p3-no-passive-stretch-pip-flex p3-no-cx-flex-wf
EXT34-IMM.P4.allow p4-passive-stretch-pip-dip p4-cx-flex-wf
EXT34-IMM.gate gate-adl-light-grip gate-drive-kg-0-5 gate-adl-light-grip-kg-1 gate-prom-end-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
EXT34-RMF.P1.caution p1-care-active-pip-dip
EXT34-RMF.P1.forbid p1-no-motion-pip-flex p1-no-cx-flex-wf
EXT34-RMF.P2.allow p2-active-held-pip-dip
EXT34-RMF.P2.forbid p2-no-passive-stretch-pip-flex p2-no-cx-flex-wf
EXT34-RMF.P3.allow p3-passive-stretch-pip-dip p3-cx-flex-wf
EXT34-RMF.gate gate-adl-light-grip-kg-0-5 gate-drive gate-grip-kg-1 gate-prom-end-adl-light-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
EXT34-SAM.P0.forbid p0-no-motion-pip-dip
EXT34-SAM.P1.allow p1-active-pip-dip p1-active-dip
EXT34-SAM.P1.forbid p1-no-active-assisted-held-pip-flex p1-no-motion-pip-flex p1-no-fist-hook-cx-flex-wf
EXT34-SAM.P2.allow p2-active-pip-dip
EXT34-SAM.P2.forbid p2-no-active-assisted-held-pip-flex p2-no-motion-pip-flex
EXT34-SAM.P3.allow p3-active-pip-dip
EXT34-SAM.P3.forbid p3-no-active-assisted-held-pip-flex p3-no-motion-pip-flex
EXT34-SAM.P4.allow p4-active-pip-dip
EXT34-SAM.P4.forbid p4-no-active-assisted-held-pip-flex p4-no-passive-stretch-resisted-pip-flex p4-no-fist-hook-cx-flex-wf
EXT34-SAM.P5.allow p5-active-held-pip-dip p5-fist-hook p5-passive-pip-dip
EXT34-SAM.P5.forbid p5-no-stretch-resisted-pip-flex p5-no-cx-flex-wf
EXT34-SAM.P6.allow p6-stretch-passive-pip-dip p6-cx-flex-wf
EXT34-SAM.gate gate-adl-light gate-drive-grip-kg-0-5 gate-prom-end-adl-light-adl-mod-kg-1 gate-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
EXT56-EP.P0.forbid p0-no-motion-finger-wrist
EXT56-EP.P1.allow p1-active-mp-flex p1-passive-mp-ext p1-active-passive-ip
EXT56-EP.P1.forbid p1-no-active-mp-flex p1-no-motion-mp-ext p1-no-passive-stretch-mp-wrist p1-no-fist-cx-flex-wf-hook
EXT56-EP.P2.allow p2-active-mp p2-active-ip p2-hook-tabletop-tenodesis p2-active-wrist p2-fist p2-active-mp-b
EXT56-EP.P2.forbid p2-no-cx-flex-wf p2-no-motion-mp-wrist
EXT56-EP.P3.allow p3-active-assisted-finger-wrist p3-passive-mp-flex p3-fist
EXT56-EP.P3.forbid p3-no-cx-flex-wf p3-no-stretch-resisted-mp
EXT56-EP.P4.allow p4-stretch-passive-finger-wrist p4-cx-flex-wf-fist-tabletop
EXT56-EP.gate gate-adl-light-drive-grip-kg-0-5 gate-prom-end-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
EXT56-IMM.P1.allow p1-active-ip
EXT56-IMM.P1.forbid p1-no-motion-mp-wrist
EXT56-IMM.P2.allow p2-active-mp p2-active-pip-dip p2-hook-tabletop p2-tenodesis p2-active-wrist
EXT56-IMM.P2.forbid p2-no-fist-cx-flex-wf p2-no-motion-mp-wrist
EXT56-IMM.P3.allow p3-active-assisted-finger-wrist p3-fist p3-passive-mp-flex
EXT56-IMM.P3.forbid p3-no-cx-flex-wf p3-no-stretch-resisted-mp
EXT56-IMM.P4.allow p4-stretch-passive-finger-wrist p4-fist p4-cx-flex-wf-fist-tabletop
EXT56-IMM.gate gate-adl-light-drive-grip-kg-0-5 gate-prom-end-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
EXT56-NOR.P0.forbid p0-no-motion-finger-wrist
EXT56-NOR.P1.allow p1-active-mp-ip p1-hook
EXT56-NOR.P1.forbid p1-no-active-mp-flex p1-no-motion-finger-flex p1-no-active-passive-stretch-wrist p1-no-fist-cx-flex-wf
EXT56-NOR.P2.allow p2-active-finger p2-hook-tabletop-tenodesis p2-fist p2-active-wrist
EXT56-NOR.P2.forbid p2-no-cx-flex-wf p2-no-motion-mp-wrist
EXT56-NOR.P3.allow p3-active-assisted-finger-wrist p3-passive-mp-flex p3-fist
EXT56-NOR.P3.forbid p3-no-cx-flex-wf p3-no-stretch-resisted-mp
EXT56-NOR.P4.allow p4-stretch-passive-finger-wrist p4-cx-flex-wf-fist-tabletop
EXT56-NOR.gate gate-adl-light-drive-grip-kg-0-5 gate-prom-end-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
EXT56-RME.P1.allow p1-active-finger
EXT56-RME.P1.forbid p1-no-active-finger p1-no-motion-wrist p1-no-motion-finger-flex p1-no-cx-flex-wf
EXT56-RME.P2.allow p2-active-finger p2-active-wrist
EXT56-RME.P2.forbid p2-no-cx-flex-wf p2-no-motion-finger-wrist
EXT56-RME.P3.allow p3-active-assisted-finger-wrist p3-cx-flex-wf
EXT56-RME.P3.forbid p3-no-passive-stretch-finger-wrist
EXT56-RME.P4.allow p4-passive-stretch-finger-wrist p4-cx-flex-wf
EXT56-RME.gate gate-adl-light-grip-kg-0-5 gate-drive-kg-1 gate-adl-light-drive-grip-kg-2-5 gate-prom-end-adl-mod-kg-5 gate-sport-nc-wb-kg-10 gate-grip-dyn-more gate-work-manual-sport-c-vibration-kg-99
EXT7.P1.allow p1-active-passive-ip p1-active-mp-flex p1-passive-mp-ext
EXT7.P1.forbid p1-no-motion-wrist p1-no-fist-cx-flex-wf
EXT7.P2.allow p2-active-mp p2-active-wrist p2-active-wrist-b p2-tenodesis p2-fist
EXT7.P2.forbid p2-no-cx-flex-wf p2-no-motion-mp-wrist
EXT7.P3.allow p3-active-assisted-mp-wrist p3-passive-mp-wrist p3-fist
EXT7.P3.forbid p3-no-cx-flex-wf p3-no-stretch-resisted-mp-wrist
EXT7.P4.allow p4-passive-stretch-mp-wrist p4-cx-flex-wf-fist
EXT7.gate gate-adl-light-drive-grip-kg-0-5 gate-prom-end-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-kg-5 gate-wb-work-manual-more-kg-99
MAL-CONS.never never-passive-stretch-dip-hyperext
MAL-CONS.P1.allow p1-active-assisted-passive-pip-mp-wrist
MAL-CONS.P1.forbid p1-no-motion-dip-flex p1-no-motion-dip-ext
MAL-CONS.P2.allow p2-active-dip
MAL-CONS.P2.forbid p2-no-active-dip-flex p2-no-motion-dip-flex
MAL-CONS.P3.allow p3-active-dip
MAL-CONS.P3.forbid p3-no-active-dip-flex p3-no-motion-dip-flex
MAL-CONS.P4.allow p4-active-assisted-held-dip
MAL-CONS.P4.forbid p4-no-passive-stretch-resisted-dip-flex
MAL-CONS.P5.allow p5-passive-stretch-dip p5-orl-stretch
MAL-CONS.gate gate-adl-light-drive-grip-kg-1 gate-adl-light-adl-mod-drive-grip-kg-2-5 gate-motion-pip-mp gate-grip-dyn-more-sport-nc-wb-kg-5 gate-mmt-work-manual-sport-c-vibration-kg-99
MAL-PIN.P1.allow p1-active-assisted-passive-pip-mp-wrist
MAL-PIN.P1.forbid p1-no-motion-dip
MAL-PIN.P2.allow p2-active-dip
MAL-PIN.P2.forbid p2-no-active-dip-flex p2-no-motion-dip-flex
MAL-PIN.P3.allow p3-active-dip p3-active-held-dip
MAL-PIN.P3.forbid p3-no-passive-stretch-resisted-dip-flex
MAL-PIN.P4.allow p4-passive-stretch-dip p4-orl-stretch
MAL-PIN.gate gate-adl-light-grip-kg-0-5 gate-drive gate-adl-light-adl-mod-grip-kg-2-5 gate-motion-pip-mp gate-grip-dyn-more-sport-nc-wb-kg-5 gate-mmt-work-manual-sport-c-vibration-kg-99
TH-T1.P1.allow p1-active-assisted-th-mp-th-cmc
TH-T1.P1.forbid p1-no-motion-th-ip
TH-T1.P2.allow p2-active-th-ip
TH-T1.P2.forbid p2-no-active-th-ip-flex p2-no-passive-stretch-resisted-th-ip-flex
TH-T1.P3.allow p3-active-held-th-ip
TH-T1.P3.forbid p3-no-passive-stretch-resisted-th-ip-flex
TH-T1.P4.allow p4-passive-stretch-th-ip
TH-T1.gate gate-adl-light-drive-grip-kg-0-5 gate-adl-light-adl-mod-drive-grip-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-mmt-work-manual-sport-c-vibration-kg-99
TH-T24.P1.forbid p1-no-motion-thumb-wrist p1-no-grip
TH-T24.P2.allow p2-active-th-ip p2-active-th-mp p2-active-th-cmc p2-active-wrist
TH-T24.P2.forbid p2-no-cx-flex-th-cx-flex-th-wf p2-no-motion-th-ip-th-mp
TH-T24.P3.allow p3-active-assisted-thumb-wrist p3-cx-flex-th
TH-T24.P3.forbid p3-no-cx-flex-th-wf p3-no-stretch-resisted-th-ip-th-mp
TH-T24.P4.allow p4-passive-stretch-thumb-wrist p4-cx-flex-th-cx-flex-th-wf
TH-T24.gate gate-adl-light-drive-grip-kg-0-5 gate-prom-end-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
TH-T5-EA.P0.forbid p0-no-motion-thumb-wrist
TH-T5-EA.P1.allow p1-active-th-ip-flex p1-passive-th-ip-ext
TH-T5-EA.P1.forbid p1-no-motion-th-ip-th-mp p1-no-motion-wrist-th-mp p1-no-cx-flex-th-cx-flex-th-wf p1-no-grip
TH-T5-EA.P2.allow p2-active-th-ip-th-mp-th-cmc p2-active-wrist
TH-T5-EA.P2.forbid p2-no-cx-flex-th-cx-flex-th-wf p2-no-motion-th-ip-th-mp-wrist
TH-T5-EA.P3.allow p3-active-assisted-thumb-wrist p3-cx-flex-th
TH-T5-EA.P3.forbid p3-no-cx-flex-th-wf p3-no-stretch-resisted-th-ip-wrist
TH-T5-EA.P4.allow p4-passive-stretch-thumb-wrist p4-cx-flex-th-cx-flex-th-wf
TH-T5-EA.gate gate-adl-light-drive-grip-kg-0-5 gate-prom-end-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
TH-T5-IMM.P1.forbid p1-no-motion-thumb-wrist p1-no-grip
TH-T5-IMM.P2.allow p2-active-th-ip-th-mp-th-cmc p2-active-wrist
TH-T5-IMM.P2.forbid p2-no-cx-flex-th-cx-flex-th-wf p2-no-motion-th-ip-th-mp-wrist
TH-T5-IMM.P3.allow p3-active-assisted-thumb-wrist p3-cx-flex-th
TH-T5-IMM.P3.forbid p3-no-cx-flex-th-wf p3-no-stretch-resisted-th-ip-wrist
TH-T5-IMM.P4.allow p4-passive-stretch-thumb-wrist p4-cx-flex-th-cx-flex-th-wf
TH-T5-IMM.gate gate-adl-light-drive-grip-kg-0-5 gate-prom-end-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
TT-EIP-EA.P0.forbid p0-no-motion-thumb-wrist
TT-EIP-EA.P1.allow p1-active-th-cmc-th-ip-th-mp p1-active-th-ip-flex p1-active-th-cmc-opp
TT-EIP-EA.P1.forbid p1-no-motion-wrist p1-no-motion-th-ip-th-mp p1-no-cx-flex-th-cx-flex-th-wf p1-no-grip
TT-EIP-EA.P2.allow p2-active-thumb p2-blocked p2-active-wrist p2-cx-flex-th
TT-EIP-EA.P2.forbid p2-no-cx-flex-th-wf p2-no-motion-th-ip-th-mp-wrist
TT-EIP-EA.P3.allow p3-active-assisted-thumb-wrist p3-passive-th-ip-th-mp p3-cx-flex-th
TT-EIP-EA.P3.forbid p3-no-cx-flex-th-wf p3-no-stretch-resisted-th-ip-th-mp
TT-EIP-EA.P4.allow p4-passive-stretch-thumb-wrist p4-cx-flex-th-cx-flex-th-wf
TT-EIP-EA.gate gate-drive gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
TT-EIP-IMM.P1.allow p1-active-finger
TT-EIP-IMM.P1.forbid p1-no-motion-thumb-wrist p1-no-grip
TT-EIP-IMM.P2.allow p2-active-assisted-th-cmc-th-ip-th-mp p2-active-th-ip-th-mp-th-cmc p2-blocked p2-active-wrist
TT-EIP-IMM.P2.forbid p2-no-cx-flex-th-cx-flex-th-wf p2-no-motion-th-ip-th-mp-wrist
TT-EIP-IMM.P3.allow p3-active-assisted-thumb-wrist p3-passive-th-ip-th-mp p3-cx-flex-th
TT-EIP-IMM.P3.forbid p3-no-cx-flex-th-wf p3-no-stretch-resisted-th-ip-th-mp
TT-EIP-IMM.P4.allow p4-passive-stretch-thumb-wrist p4-cx-flex-th-cx-flex-th-wf
TT-EIP-IMM.gate gate-adl-light-drive-grip-kg-0-5 gate-prom-end-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
FPL-EAM.P0.forbid p0-no-motion-thumb-wrist
FPL-EAM.P1.allow p1-passive-th-mp-th-ip-th-cmc p1-passive-active-th-ip-th-mp p1-held-th-ip-th-mp p1-active-th-ip-flex p1-active-passive-finger
FPL-EAM.P1.forbid p1-no-active-th-ip-flex p1-no-assisted-isometric-resisted-th-ip-th-mp p1-no-motion-wrist p1-no-blocked-cx-ext-th p1-no-grip
FPL-EAM.P2.allow p2-held-active-thumb p2-active-wrist
FPL-EAM.P2.forbid p2-no-isometric-resisted-th-ip-th-mp p2-no-blocked-cx-ext-th p2-no-stretch-th-ip-th-mp-wrist
FPL-EAM.P3.allow p3-active-assisted-held-thumb-wrist p3-blocked p3-cx-ext-th p3-passive-th-ip-th-mp
FPL-EAM.P3.forbid p3-no-isometric-resisted-th-ip-flex p3-no-stretch-th-ip-wrist
FPL-EAM.P4.allow p4-stretch-passive-thumb-wrist p4-cx-ext-th
FPL-EAM.gate gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FPL-EP.P0.forbid p0-no-motion-thumb-wrist
FPL-EP.P1.allow p1-passive-th-mp-th-ip-th-cmc p1-passive-active-th-ip-th-mp p1-active-passive-finger
FPL-EP.P1.forbid p1-no-motion-th-ip-th-mp p1-no-motion-wrist p1-no-blocked-cx-ext-th p1-no-grip
FPL-EP.P2.allow p2-held-active-thumb p2-active-wrist
FPL-EP.P2.forbid p2-no-isometric-resisted-th-ip-th-mp p2-no-blocked-cx-ext-th p2-no-stretch-th-ip-th-mp-wrist
FPL-EP.P3.allow p3-active-assisted-held-thumb-wrist p3-blocked p3-cx-ext-th p3-passive-th-ip-th-mp
FPL-EP.P3.forbid p3-no-isometric-resisted-th-ip-flex p3-no-stretch-th-ip-wrist
FPL-EP.P4.allow p4-stretch-passive-thumb-wrist p4-cx-ext-th
FPL-EP.gate gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FT-DURAN.never never-wrist-finger-snap-stretch
FT-DURAN.P0.forbid p0-no-motion-finger-wrist
FT-DURAN.P1.allow p1-passive-finger-flex p1-passive-pip-dip p1-active-pip-dip
FT-DURAN.P1.forbid p1-no-motion-finger-flex p1-no-motion-wrist p1-no-cx-ext-wf-tenodesis-more p1-no-grip
FT-DURAN.P2.allow p2-held-active-finger p2-active-wrist p2-tenodesis p2-hook-straight-fist
FT-DURAN.P2.forbid p2-no-isometric-resisted-finger-wrist p2-no-blocked p2-no-cx-ext-wf p2-no-stretch-finger-wrist
FT-DURAN.P3.allow p3-active-assisted-held-finger-wrist p3-blocked p3-cx-ext-wf p3-passive-finger-ext
FT-DURAN.P3.forbid p3-no-isometric-resisted-finger-flex p3-no-stretch-finger-wrist
FT-DURAN.P4.allow p4-stretch-passive-finger-wrist p4-cx-ext-wf
FT-DURAN.P5.allow p5-blocked
FT-DURAN.gate gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FT-EAM.P0.forbid p0-no-motion-finger-wrist
FT-EAM.P1.allow p1-passive-finger-flex p1-active-finger p1-passive-pip-dip
FT-EAM.P1.forbid p1-no-active-finger-flex p1-no-isometric-resisted-assisted-finger-flex p1-no-blocked-hook-more p1-no-grip
FT-EAM.P2.allow p2-active-finger p2-active-wrist p2-tenodesis
FT-EAM.P2.forbid p2-no-active-finger-flex p2-no-isometric-resisted-finger-flex p2-no-blocked-cx-ext-wf
FT-EAM.P3.allow p3-held-active-finger p3-active-wrist p3-tenodesis p3-hook-straight-fist
FT-EAM.P3.forbid p3-no-isometric-resisted-finger-wrist p3-no-blocked-cx-ext-wf p3-no-stretch-finger-wrist
FT-EAM.P4.allow p4-active-assisted-held-finger-wrist p4-blocked p4-cx-ext-wf p4-passive-finger-ext
FT-EAM.P4.forbid p4-no-isometric-resisted-finger-flex p4-no-stretch-finger-wrist
FT-EAM.P5.allow p5-stretch-passive-finger-wrist p5-cx-ext-wf p5-blocked
FT-EAM.gate gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FT-IMM.P1.forbid p1-no-motion-finger-wrist p1-no-grip
FT-IMM.P2.allow p2-passive-finger-flex p2-held-active-finger p2-tenodesis p2-active-wrist p2-hook-straight-fist
FT-IMM.P2.forbid p2-no-isometric-resisted-finger-wrist p2-no-stretch-finger-wrist p2-no-cx-ext-wf
FT-IMM.P3.allow p3-active-assisted-held-finger-wrist p3-blocked p3-cx-ext-wf p3-passive-finger-ext
FT-IMM.P3.forbid p3-no-stretch-finger-wrist p3-no-isometric-resisted-finger-flex
FT-IMM.P4.allow p4-stretch-passive-finger-wrist p4-cx-ext-wf p4-blocked
FT-IMM.gate gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FT-KLEINERT.P0.forbid p0-no-motion-finger-wrist
FT-KLEINERT.P1.allow p1-active-pip-dip p1-passive-finger-flex
FT-KLEINERT.P1.forbid p1-no-motion-finger-flex p1-no-motion-wrist p1-no-passive-stretch-pip-dip p1-no-grip
FT-KLEINERT.P2.allow p2-held-active-finger p2-active-wrist p2-tenodesis p2-hook-straight-fist
FT-KLEINERT.P2.forbid p2-no-isometric-resisted-finger-wrist p2-no-blocked-cx-ext-wf p2-no-stretch-finger-wrist
FT-KLEINERT.P3.allow p3-active-assisted-held-finger-wrist p3-blocked p3-cx-ext-wf p3-passive-finger-ext
FT-KLEINERT.P3.forbid p3-no-isometric-resisted-finger-flex p3-no-stretch-finger-wrist
FT-KLEINERT.P4.allow p4-stretch-passive-finger-wrist p4-cx-ext-wf p4-blocked
FT-KLEINERT.gate gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FT-PH.P0.forbid p0-no-motion-finger-wrist
FT-PH.P1.allow p1-passive-finger-flex p1-passive-active-pip-dip p1-held-finger-flex p1-tenodesis p1-assisted-wrist
FT-PH.P1.forbid p1-no-motion-finger-flex p1-no-blocked-hook-more p1-no-grip
FT-PH.P2.allow p2-held-active-finger p2-active-wrist p2-tenodesis p2-hook-straight-fist
FT-PH.P2.forbid p2-no-isometric-resisted-finger-wrist p2-no-blocked-cx-ext-wf p2-no-stretch-finger-wrist
FT-PH.P3.allow p3-active-assisted-held-finger-wrist p3-blocked p3-cx-ext-wf p3-passive-finger-ext
FT-PH.P3.forbid p3-no-isometric-resisted-finger-flex p3-no-stretch-finger-wrist
FT-PH.P4.allow p4-stretch-passive-finger-wrist p4-cx-ext-wf p4-blocked
FT-PH.gate gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FT-RMF.P0.forbid p0-no-motion-finger-wrist
FT-RMF.P1.allow p1-passive-finger-flex
FT-RMF.P1.caution p1-care-active-held-finger
FT-RMF.P1.forbid p1-no-isometric-resisted-assisted-finger-flex p1-no-active-passive-stretch-wrist p1-no-blocked-hook-more p1-no-grip
FT-RMF.P2.caution p2-care-active-wrist p2-care-tenodesis
FT-RMF.P2.forbid p2-no-isometric-resisted-finger-wrist p2-no-blocked-cx-ext-wf
FT-RMF.P3.allow p3-active-held-finger-wrist p3-passive-finger-ext p3-blocked-tenodesis-more
FT-RMF.P3.forbid p3-no-isometric-resisted-finger-flex
FT-RMF.P4.allow p4-stretch-passive-finger-wrist p4-cx-ext-wf p4-blocked
FT-RMF.gate gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FT-Z1.P0.forbid p0-no-motion-finger-wrist
FT-Z1.P1.allow p1-passive-finger-flex p1-passive-dip-flex p1-passive-active-pip-ext p1-held-finger-flex
FT-Z1.P1.forbid p1-no-motion-dip-ext p1-no-motion-finger-flex p1-no-motion-wrist p1-no-grip
FT-Z1.P2.allow p2-held-active-finger p2-active-wrist p2-tenodesis p2-hook-straight-fist
FT-Z1.P2.forbid p2-no-passive-stretch-dip-ext p2-no-isometric-resisted-finger-flex p2-no-blocked-cx-ext-wf
FT-Z1.P3.allow p3-active-assisted-held-finger-wrist p3-blocked p3-cx-ext-wf p3-passive-finger-ext
FT-Z1.P3.forbid p3-no-stretch-finger-wrist p3-no-isometric-resisted-finger-flex
FT-Z1.P4.allow p4-stretch-passive-finger-wrist p4-cx-ext-wf p4-blocked
FT-Z1.gate gate-adl-light-grip-kg-0-5 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FT-Z35.P0.forbid p0-no-motion-finger-wrist
FT-Z35.P1.allow p1-passive-finger-flex p1-passive-active-pip-dip p1-held-finger-flex p1-active-finger
FT-Z35.P1.forbid p1-no-isometric-resisted-assisted-finger-flex p1-no-motion-wrist p1-no-bowstring p1-no-grip
FT-Z35.P2.allow p2-held-active-finger p2-active-wrist p2-tenodesis p2-hook-straight-fist
FT-Z35.P2.forbid p2-no-isometric-resisted-finger-wrist p2-no-cx-ext-wf-blocked-bowstring p2-no-stretch-finger-wrist
FT-Z35.P3.allow p3-active-assisted-held-finger-wrist p3-blocked p3-cx-ext-wf p3-passive-finger-wrist
FT-Z35.P3.forbid p3-no-stretch-finger-wrist p3-no-isometric-resisted-finger-flex
FT-Z35.P4.allow p4-stretch-passive-finger-wrist p4-cx-ext-wf-bowstring p4-blocked
FT-Z35.gate gate-adl-light-grip-kg-0-5 gate-median-ulnar-slider1 gate-prom-end-kg-1 gate-drive-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FTL-FRAYED.P1.allow p1-passive-finger p1-held-finger-flex p1-active-finger-ext
FTL-FRAYED.P1.forbid p1-no-motion-finger-flex p1-no-blocked-hook-straight-fist
FTL-FRAYED.P2.allow p2-active-held-finger p2-hook-straight-fist
FTL-FRAYED.P2.forbid p2-no-blocked p2-no-isometric-resisted-stretch-finger
FTL-FRAYED.P3.allow p3-blocked p3-stretch-finger-ext
FTL-FRAYED.P3.forbid p3-no-isometric-resisted-finger-flex
FTL-FRAYED.P4.allow p4-stretch-finger
FTL-FRAYED.gate gate-adl-light-grip-kg-0-5 gate-drive-kg-1 gate-prom-end-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
FTL-GOOD.P1.allow p1-motion-finger p1-hook-straight-fist-tenodesis
FTL-GOOD.P1.forbid p1-no-stretch-isometric-resisted-finger p1-no-blocked
FTL-GOOD.P2.allow p2-blocked p2-stretch-pip-dip
FTL-GOOD.P2.forbid p2-no-isometric-resisted-finger-flex
FTL-GOOD.P3.allow p3-stretch-finger
FTL-GOOD.P3.forbid p3-no-resisted-finger-flex
FTL-GOOD.gate gate-grip gate-adl-light-kg-0-5 gate-drive-kg-1 gate-prom-end gate-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-work-manual-sport-nc-more-kg-99
DRF-CAST.P1.allow p1-active-assisted-passive-finger-thumb-more
DRF-CAST.P1.caution p1-care-active-forearm
DRF-CAST.P1.forbid p1-no-motion-wrist-forearm p1-no-grip
DRF-CAST.P2.allow p2-active-assisted-wrist-forearm p2-passive-wrist-forearm
DRF-CAST.P2.forbid p2-no-stretch-wrist-forearm
DRF-CAST.P3.allow p3-stretch-wrist-forearm
DRF-CAST.P4.allow p4-stretch-wrist-forearm
DRF-CAST.gate gate-adl-light-grip-cyl-key-more-kg-0-5 gate-kg-1 gate-drive gate-r1 gate-isometric-wrist-forearm gate-grip-dyn-more gate-adl-mod-kg-2-5 gate-r3 gate-mmt-lift-test-wb-sport-nc-kg-5 gate-work-manual-sport-c-vibration-kg-99
DRF-VLP-DELAYED.P1.allow p1-active-assisted-passive-finger-thumb-more p1-active-forearm
DRF-VLP-DELAYED.P1.forbid p1-no-motion-wrist
DRF-VLP-DELAYED.P2.allow p2-active-assisted-wrist-forearm p2-passive-wrist-forearm
DRF-VLP-DELAYED.P3.allow p3-stretch-wrist-forearm
DRF-VLP-DELAYED.P4.allow p4-stretch-wrist-forearm
DRF-VLP-DELAYED.gate gate-adl-light-grip-cyl-key-more-kg-0-5 gate-drive-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-r3 gate-mmt-lift-test-wb-sport-nc-kg-5 gate-work-manual-sport-c-vibration-kg-99
DRF-VLP-EARLY.P1.allow p1-active-assisted-passive-finger-thumb-more p1-active-forearm
DRF-VLP-EARLY.P1.forbid p1-no-motion-wrist-forearm
DRF-VLP-EARLY.P2.allow p2-active-assisted-wrist-forearm
DRF-VLP-EARLY.P2.forbid p2-no-stretch-resisted-wrist-forearm
DRF-VLP-EARLY.P3.allow p3-passive-wrist-forearm
DRF-VLP-EARLY.P3.forbid p3-no-stretch-wrist-forearm
DRF-VLP-EARLY.P4.allow p4-stretch-wrist-forearm
DRF-VLP-EARLY.P5.allow p5-stretch-wrist-forearm
DRF-VLP-EARLY.gate gate-grip-cyl-key-more gate-adl-light-kg-0-5 gate-drive gate-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-r3 gate-mmt-lift-test-wb-sport-nc-kg-5 gate-work-manual-sport-c-vibration-kg-99
FA-ORIF.P1.allow p1-active-elbow-wrist
FA-ORIF.P1.forbid p1-no-motion-forearm-elbow-wrist
FA-ORIF.P2.allow p2-active-assisted-elbow-forearm-wrist
FA-ORIF.P2.forbid p2-no-stretch-resisted-forearm
FA-ORIF.P3.allow p3-passive-forearm-elbow-wrist
FA-ORIF.P4.allow p4-stretch-forearm-elbow-wrist
FA-ORIF.gate gate-grip gate-adl-light-kg-0-5 gate-drive-grip-kg-1 gate-grip-dyn-pinch-gauge-grip-kg-2-5 gate-mmt-prom-end-adl-mod-wb-sport-nc-kg-5 gate-work-manual-vibration-kg-99 gate-sport-c
MC-FUNC.P1.allow p1-active-assisted-finger
MC-FUNC.P1.forbid p1-no-stretch-isometric-resisted-finger
MC-FUNC.P2.allow p2-active-assisted-passive-finger
MC-FUNC.P2.forbid p2-no-resisted-finger
MC-FUNC.P3.allow p3-stretch-finger
MC-FUNC.gate gate-adl-light-grip-kg-0-5 gate-drive-kg-1 gate-r1 gate-grip-dyn-more-adl-mod-sport-nc-kg-2-5 gate-kg-5 gate-work-manual-wb-kg-10 gate-sport-c-vibration-kg-99
MC-GUTTER.P1.allow p1-active-assisted-ip
MC-GUTTER.P1.forbid p1-no-motion-mp
MC-GUTTER.P2.allow p2-active-assisted-finger
MC-GUTTER.P2.forbid p2-no-passive-stretch-resisted-mp
MC-GUTTER.P3.allow p3-passive-stretch-finger
MC-GUTTER.P4.allow p4-stretch-finger
MC-GUTTER.gate gate-adl-light gate-grip-kg-1 gate-drive gate-kg-2-5 gate-adl-mod gate-grip-dyn-more-sport-nc-kg-5 gate-wb-work-manual-kg-10 gate-sport-c-vibration-kg-99
MC-ORIF.P1.allow p1-active-ip
MC-ORIF.P1.forbid p1-no-motion-finger
MC-ORIF.P2.allow p2-active-assisted-finger
MC-ORIF.P2.forbid p2-no-stretch-isometric-resisted-finger
MC-ORIF.P3.allow p3-passive-finger
MC-ORIF.P4.allow p4-stretch-finger
MC-ORIF.gate gate-grip gate-adl-light-kg-0-5 gate-drive gate-kg-1 gate-kg-2-5 gate-adl-mod gate-grip-dyn-more-sport-nc-kg-5 gate-wb-work-manual-kg-10 gate-sport-c-vibration-kg-99
PIP-FD-SURG.never never-motion-pip-hyperext
PIP-FD-SURG.P1.forbid p1-no-motion-pip
PIP-FD-SURG.P2.allow p2-active-assisted-pip-dip
PIP-FD-SURG.P2.forbid p2-no-passive-stretch-pip
PIP-FD-SURG.P3.allow p3-active-assisted-held-pip-dip p3-passive-pip-dip
PIP-FD-SURG.P4.allow p4-passive-stretch-pip-dip
PIP-FD-SURG.gate gate-adl-light gate-drive-grip-kg-0-5 gate-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-work-manual-wb-kg-10 gate-sport-c-vibration-kg-99
PIP-FD-XB.never never-motion-pip-hyperext
PIP-FD-XB.P1.allow p1-active-assisted-pip p1-active-dip
PIP-FD-XB.P1.forbid p1-no-passive-stretch-pip p1-no-active-assisted-pip-ext
PIP-FD-XB.P2.allow p2-active-assisted-pip
PIP-FD-XB.P2.forbid p2-no-passive-stretch-pip
PIP-FD-XB.P3.allow p3-active-assisted-pip
PIP-FD-XB.P3.forbid p3-no-passive-stretch-pip
PIP-FD-XB.P4.allow p4-active-assisted-pip
PIP-FD-XB.P4.forbid p4-no-passive-stretch-pip-ext
PIP-FD-XB.P5.allow p5-active-assisted-held-pip-dip p5-passive-pip-dip
PIP-FD-XB.P5.forbid p5-no-passive-stretch-pip-ext
PIP-FD-XB.P6.allow p6-active-assisted-held-pip-dip p6-passive-stretch-pip-dip
PIP-FD-XB.gate gate-adl-light gate-drive gate-grip-kg-0-5 gate-kg-1 gate-adl-mod-kg-2-5 gate-grip-dyn-more-kg-5 gate-sport-nc-work-manual-wb-kg-10 gate-sport-c-vibration-kg-99
PIP-VP.never never-motion-pip-hyperext
PIP-VP.P1.allow p1-active-assisted-pip-dip
PIP-VP.P1.forbid p1-no-passive-stretch-pip-ext
PIP-VP.P2.allow p2-active-assisted-held-pip-dip p2-passive-pip-dip p2-stretch-pip
PIP-VP.P3.allow p3-stretch-pip-dip
PIP-VP.gate gate-adl-light-grip gate-drive-kg-1 gate-sport-nc gate-adl-mod-kg-2-5 gate-grip-dyn-more-sport-c-wb-kg-5 gate-work-manual-kg-10 gate-vibration-kg-99
PX-KW.P1.allow p1-active-ip-mp
PX-KW.P1.forbid p1-no-motion-finger
PX-KW.P2.allow p2-active-assisted-held-finger
PX-KW.P2.forbid p2-no-stretch-resisted-finger
PX-KW.P3.allow p3-passive-stretch-finger
PX-KW.P4.allow p4-stretch-finger
PX-KW.gate gate-adl-light gate-grip-kg-0-5 gate-drive gate-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-sport-nc-kg-5 gate-work-manual-wb-kg-10 gate-sport-c-vibration-kg-99
PX-NONOP.P1.allow p1-active-ip
PX-NONOP.P1.forbid p1-no-motion-finger p1-no-active-assisted-mp
PX-NONOP.P2.allow p2-active-assisted-held-finger
PX-NONOP.P2.forbid p2-no-stretch-resisted-finger
PX-NONOP.P3.allow p3-passive-stretch-finger
PX-NONOP.P4.allow p4-stretch-finger
PX-NONOP.gate gate-adl-light gate-grip-kg-0-5 gate-drive gate-kg-1 gate-grip-dyn-more-adl-mod-sport-nc-kg-2-5 gate-kg-5 gate-work-manual-wb-kg-10 gate-sport-c-vibration-kg-99
PX-ORIF.P1.forbid p1-no-motion-finger
PX-ORIF.P2.allow p2-active-assisted-held-finger
PX-ORIF.P2.forbid p2-no-motion-finger
PX-ORIF.P3.allow p3-passive-finger
PX-ORIF.P4.allow p4-stretch-finger
PX-ORIF.gate gate-adl-light-grip gate-drive-kg-0-5 gate-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-sport-nc-kg-5 gate-work-manual-wb-kg-10 gate-sport-c-vibration-kg-99
RH-NONOP.never never-stretch-elbow
RH-NONOP.P1.forbid p1-no-motion-elbow-forearm
RH-NONOP.P2.allow p2-active-assisted-elbow-forearm
RH-NONOP.P2.forbid p2-no-stretch-resisted-elbow-forearm
RH-NONOP.P3.allow p3-passive-elbow-forearm
RH-NONOP.P4.allow p4-stretch-elbow-forearm
RH-NONOP.gate gate-grip gate-adl-light-kg-0-5 gate-drive-grip gate-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-kg-5 gate-wb-work-manual-more-kg-99
SCA-CAST.P1.allow p1-active-assisted-passive-finger-th-ip-more p1-active-th-cmc-th-mp
SCA-CAST.P1.forbid p1-no-motion-wrist p1-no-grip
SCA-CAST.P2.allow p2-active-assisted-wrist-th-cmc-th-mp
SCA-CAST.P2.forbid p2-no-stretch-wrist p2-no-resisted-wrist
SCA-CAST.P3.allow p3-passive-stretch-wrist-th-cmc-th-mp
SCA-CAST.P4.allow p4-stretch-wrist
SCA-CAST.gate gate-adl-light-grip-cyl-key-more-kg-0-5 gate-kg-1 gate-drive gate-r1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-r3 gate-mmt-lift-test-wb-sport-nc-kg-5 gate-work-manual-sport-c-vibration-kg-99
SCA-SCREW.P1.allow p1-active-assisted-passive-finger-th-ip-more
SCA-SCREW.P1.forbid p1-no-motion-wrist
SCA-SCREW.P2.allow p2-active-assisted-wrist-th-cmc-th-mp
SCA-SCREW.P2.forbid p2-no-motion-wrist p2-no-grip
SCA-SCREW.P3.allow p3-passive-stretch-wrist-th-cmc-th-mp
SCA-SCREW.P4.allow p4-stretch-wrist
SCA-SCREW.gate gate-grip-cyl-key-more gate-adl-light-kg-0-5 gate-drive gate-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-r3 gate-mmt-lift-test-wb-sport-nc-kg-5 gate-work-manual-sport-c-vibration-kg-99
PIPC-12.P1.allow p1-active-assisted-finger
PIPC-12.P1.forbid p1-no-stretch-resisted-isometric-pip p1-no-pip-lateral
PIPC-12.P2.allow p2-motion-finger p2-stretch-pip
PIPC-12.P2.forbid p2-no-pip-lateral p2-no-stretch-pip
PIPC-12.P3.allow p3-pip-lateral
PIPC-12.gate gate-adl-light-drive-grip-kg-1 gate-sport-nc gate-kg-2-5 gate-grip-dyn-more-adl-mod-kg-5 gate-mmt-sport-c-wb-work-manual-kg-10 gate-vibration-kg-99
PIPC-3.P1.allow p1-active-dip p1-active-pip
PIPC-3.P1.forbid p1-no-motion-pip p1-no-pip-lateral
PIPC-3.P2.allow p2-active-assisted-held-pip-dip p2-passive-pip
PIPC-3.P2.forbid p2-no-pip-lateral p2-no-stretch-resisted-pip
PIPC-3.P3.allow p3-motion-pip-dip p3-pip-lateral
PIPC-3.gate gate-adl-light-grip gate-drive-kg-1 gate-prom-end-adl-light-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-kg-5 gate-wb-work-manual-kg-10 gate-sport-c-vibration-kg-99
SL-CONS.P1.allow p1-active-wrist-dtm p1-isometric-wrist-th-cmc
SL-CONS.P1.forbid p1-no-isometric-resisted-wrist-uln p1-no-passive-stretch-wrist p1-no-clench p1-no-grip
SL-CONS.P2.allow p2-active-assisted-wrist p2-isometric-wrist-forearm
SL-CONS.P2.forbid p2-no-resisted-isometric-wrist-uln p2-no-stretch-wrist p2-no-clench
SL-CONS.P3.allow p3-active-wrist p3-resisted-wrist
SL-CONS.P3.forbid p3-no-resisted-wrist-uln p3-no-clench
SL-CONS.P4.allow p4-passive-wrist p4-clench
SL-CONS.P4.caution p4-care-stretch-wrist
SL-CONS.gate gate-adl-light-drive-grip-kg-0-5 gate-adl-light-drive-grip-kg-1 gate-grip-kg-2-5 gate-grip-dyn-pinch-gauge-adl-mod-sport-nc-kg-5 gate-resisted-wrist-uln gate-mmt-prom-end gate-wb-work-manual-more-kg-99
SL-REP.P1.allow p1-active-assisted-passive-finger-th-ip-more p1-active-wrist-dtm
SL-REP.P1.forbid p1-no-motion-wrist p1-no-grip p1-no-clench
SL-REP.P2.allow p2-active-wrist-dtm p2-active-wrist p2-isometric-wrist
SL-REP.P2.forbid p2-no-passive-stretch-wrist p2-no-resisted-isometric-wrist-uln p2-no-grip p2-no-clench
SL-REP.P3.allow p3-active-assisted-passive-wrist
SL-REP.P3.forbid p3-no-clench p3-no-stretch-wrist
SL-REP.P4.allow p4-clench
SL-REP.P4.caution p4-care-stretch-wrist
SL-REP.gate gate-adl-light-grip gate-drive-grip-kg-0-5 gate-kg-1 gate-r2 gate-grip-dyn-pinch-gauge-adl-light-adl-mod-kg-2-5 gate-prom-end-sport-nc-kg-5 gate-mmt-wb-work-manual-more-kg-99
SPR-12.P1.allow p1-active-assisted-passive-wrist
SPR-12.P1.forbid p1-no-stretch-isometric-resisted-wrist
SPR-12.P2.allow p2-active-assisted-passive-wrist
SPR-12.P2.forbid p2-no-stretch-resisted-wrist
SPR-12.P3.allow p3-stretch-wrist
SPR-12.gate gate-adl-light-grip-kg-0-5 gate-drive-kg-1 gate-isometric-wrist-forearm gate-grip-dyn-more-adl-mod-sport-nc-kg-2-5 gate-mmt-wb-kg-10 gate-sport-c-work-manual-vibration-kg-99
TFCC-CONS.P1.allow p1-active-forearm
TFCC-CONS.P1.forbid p1-no-motion-wrist-uln p1-no-motion-forearm
TFCC-CONS.P2.allow p2-active-assisted-forearm-wrist p2-isometric-forearm-wrist
TFCC-CONS.P2.forbid p2-no-stretch-wrist-forearm p2-no-resisted-forearm-wrist
TFCC-CONS.P3.allow p3-passive-forearm-wrist p3-stretch-forearm-wrist
TFCC-CONS.gate gate-adl-light-drive-grip-kg-0-5 gate-adl-light-drive-grip-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-mmt-sport-nc-torque-kg-5 gate-wb-work-manual-more-kg-99
TFCC-FOV.P1.allow p1-active-passive-finger-thumb-shoulder p1-active-elbow
TFCC-FOV.P1.forbid p1-no-motion-forearm-wrist p1-no-grip
TFCC-FOV.P2.allow p2-active-wrist p2-active-forearm
TFCC-FOV.P2.forbid p2-no-motion-wrist-uln p2-no-motion-forearm p2-no-grip
TFCC-FOV.P3.allow p3-active-assisted-forearm-wrist p3-isometric-forearm-pron
TFCC-FOV.P3.forbid p3-no-passive-stretch-resisted-forearm-wrist
TFCC-FOV.P4.allow p4-passive-forearm-wrist p4-isometric-wrist-forearm
TFCC-FOV.P4.forbid p4-no-resisted-forearm-wrist p4-no-stretch-forearm-wrist
TFCC-FOV.P5.allow p5-stretch-forearm-wrist
TFCC-FOV.gate gate-adl-light-grip gate-drive-grip-kg-0-5 gate-grip-kg-1 gate-grip-dyn-more-adl-light-adl-mod-kg-2-5 gate-mmt-kg-5 gate-wb-sport-nc-torque gate-work-manual-sport-c-vibration-kg-99
TFCC-PERI.P1.allow p1-active-passive-finger-thumb-shoulder p1-active-elbow
TFCC-PERI.P1.forbid p1-no-motion-forearm-wrist
TFCC-PERI.P2.allow p2-active-wrist p2-active-forearm
TFCC-PERI.P2.forbid p2-no-motion-forearm-wrist p2-no-active-wrist-uln
TFCC-PERI.P3.allow p3-active-assisted-passive-forearm-wrist p3-isometric-forearm-wrist
TFCC-PERI.P3.forbid p3-no-resisted-stretch-forearm
TFCC-PERI.P4.allow p4-stretch-forearm-wrist
TFCC-PERI.gate gate-adl-light-grip gate-drive-grip-kg-0-5 gate-grip-kg-1 gate-grip-dyn-more-adl-light-adl-mod-kg-2-5 gate-mmt-sport-nc-kg-5 gate-wb-torque gate-work-manual-sport-c-vibration-kg-99
UCL-AUG.never never-th-mp-radial-stress-test
UCL-AUG.P1.allow p1-active-passive-th-ip
UCL-AUG.P1.forbid p1-no-motion-th-mp-th-cmc p1-no-th-mp-radial
UCL-AUG.P2.allow p2-active-th-mp-th-cmc
UCL-AUG.P2.forbid p2-no-passive-stretch-resisted-th-mp p2-no-th-mp-radial p2-no-grip-key-tip-more
UCL-AUG.P3.allow p3-active-assisted-passive-thumb
UCL-AUG.P3.forbid p3-no-th-mp-radial p3-no-stretch-th-mp
UCL-AUG.P4.allow p4-passive-stretch-thumb p4-th-mp-radial
UCL-AUG.gate gate-adl-light gate-grip-key-cyl-sph gate-drive gate-grip-key-kg-1 gate-adl-light-adl-mod-grip-key-tripod-tip-kg-2-5 gate-r1 gate-prom-end-sport-nc-grip-kg-5 gate-grip-dyn-more-wb-grip gate-work-manual-sport-c-vibration-grip-kg-99
UCL-CONS.never never-th-mp-radial-stress-test
UCL-CONS.P1.allow p1-active-passive-th-ip p1-active-th-cmc p1-active-th-mp
UCL-CONS.P1.forbid p1-no-th-mp-radial p1-no-motion-th-mp p1-no-grip-tip-tripod-key
UCL-CONS.P2.allow p2-active-assisted-th-mp
UCL-CONS.P2.forbid p2-no-th-mp-radial p2-no-passive-stretch-resisted-th-mp
UCL-CONS.P3.allow p3-passive-stretch-th-mp p3-th-mp-radial
UCL-CONS.gate gate-adl-light-drive-grip-cyl-sph-kg-0-5 gate-adl-light-drive-grip-key-cyl-more-kg-1 gate-prom-end-adl-mod-grip-key-kg-2-5 gate-r1 gate-grip-tripod-tip gate-grip-dyn-more-sport-nc-wb-grip-kg-5 gate-work-manual-sport-c-vibration-grip-kg-99
UCL-REPAIR.never never-th-mp-radial-stress-test
UCL-REPAIR.P1.allow p1-active-passive-th-ip p1-active-wrist
UCL-REPAIR.P1.forbid p1-no-motion-th-mp-th-cmc p1-no-th-mp-radial p1-no-grip-key-tip-more
UCL-REPAIR.P2.allow p2-active-th-mp p2-active-th-cmc p2-passive-th-cmc
UCL-REPAIR.P2.forbid p2-no-passive-stretch-resisted-th-mp p2-no-th-mp-radial p2-no-grip-key-tip-more
UCL-REPAIR.P3.allow p3-passive-assisted-th-mp p3-active-assisted-thumb p3-isometric-th-cmc-th-mp
UCL-REPAIR.P3.caution p3-care-grip-key
UCL-REPAIR.P3.forbid p3-no-th-mp-radial p3-no-stretch-th-mp p3-no-grip-tip-tripod-span
UCL-REPAIR.P4.allow p4-stretch-th-mp-flex p4-passive-stretch-th-cmc
UCL-REPAIR.P4.forbid p4-no-th-mp-radial
UCL-REPAIR.P5.allow p5-passive-stretch-thumb p5-th-mp-radial
UCL-REPAIR.gate gate-adl-light gate-drive gate-grip-cyl-sph gate-grip-key gate-kg-0-5 gate-kg-1 gate-prom-end-grip-key-tripod gate-grip-tip gate-grip-tip-b gate-grip-key-tripod-tip gate-adl-light-adl-mod-kg-2-5 gate-grip-dyn-more-wb-sport-nc-grip-kg-5 gate-work-manual-sport-c-vibration-grip-kg-99
CTS-CONS.never never-phalen-hold never-median-sustained-hold
CTS-CONS.P1.allow p1-motion-finger-thumb-wrist p1-stretch-wrist
CTS-CONS.P1.forbid p1-no-resisted-wrist-finger p1-no-bowstring
CTS-CONS.P2.allow p2-stretch-wrist-finger
CTS-CONS.P2.forbid p2-no-bowstring
CTS-CONS.P3.caution p3-care-bowstring
CTS-CONS.gate gate-grip-dyn-pinch-gauge-adl-light-adl-mod-drive gate-median-slider1 gate-median-slider2 gate-median-tensioner gate-r2 gate-work-manual-sport-nc-wb-kg-5 gate-mmt-prom-end-sport-c-vibration-kg-99
CTS-REL.P1.allow p1-active-assisted-passive-finger-thumb p1-active-wrist
CTS-REL.P1.forbid p1-no-bowstring p1-no-stretch-isometric-resisted-wrist-finger
CTS-REL.P2.allow p2-active-assisted-passive-wrist-finger
CTS-REL.P2.forbid p2-no-bowstring p2-no-stretch-resisted-wrist
CTS-REL.P3.allow p3-stretch-wrist-finger p3-bowstring p3-bowstring-clench
CTS-REL.gate gate-grip gate-adl-light-kg-0-5 gate-drive gate-median-slider1-slider2-kg-1 gate-prom-end-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-work-manual-kg-5 gate-kg-10 gate-sport-c-vibration-kg-99
CUB-CONS.never never-ulnar-sustained-hold never-elbow-flexion-hold
CUB-CONS.P1.allow p1-motion-elbow-forearm-more p1-stretch-wrist
CUB-CONS.P1.forbid p1-no-resisted-elbow-wrist
CUB-CONS.P2.allow p2-stretch-elbow-wrist-finger
CUB-CONS.gate gate-grip-dyn-pinch-gauge-adl-light-adl-mod-drive gate-ulnar-slider1 gate-ulnar-slider2 gate-ulnar-tensioner gate-work-manual-sport-nc-wb-kg-5 gate-mmt-prom-end-sport-c-vibration-kg-99
CUB-DEC.P1.allow p1-active-assisted-elbow-forearm-more
CUB-DEC.P1.forbid p1-no-stretch-isometric-resisted-elbow-wrist
CUB-DEC.P2.allow p2-active-assisted-passive-elbow p2-stretch-elbow-ext
CUB-DEC.P2.forbid p2-no-resisted-elbow
CUB-DEC.P3.allow p3-stretch-elbow
CUB-DEC.gate gate-adl-light-grip-kg-0-5 gate-drive gate-ulnar-slider1-kg-1 gate-grip-dyn-more-adl-mod-ulnar-slider2-kg-2-5 gate-mmt-wb-sport-nc-work-manual-kg-5 gate-sport-c-vibration-kg-99
CUB-SUBM.P1.allow p1-active-finger-thumb-shoulder
CUB-SUBM.P1.forbid p1-no-motion-elbow-wrist-forearm p1-no-resisted-isometric-wrist-forearm
CUB-SUBM.P2.allow p2-active-assisted-elbow-wrist-forearm
CUB-SUBM.P2.forbid p2-no-cx-ulnar-full-cx-ext-wf p2-no-resisted-isometric-wrist-forearm p2-no-passive-stretch-elbow-wrist-forearm
CUB-SUBM.P3.allow p3-passive-stretch-elbow-wrist-forearm p3-cx-ulnar-full p3-cx-ext-wf
CUB-SUBM.P4.allow p4-cx-ext-wf
CUB-SUBM.gate gate-grip gate-adl-light gate-drive-kg-0-5 gate-ulnar-slider1 gate-prom-end-ulnar-slider2-kg-1 gate-grip-dyn-pinch-gauge-adl-mod-kg-2-5 gate-mmt-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
CUB-SUBQ.P1.allow p1-active-finger-thumb-shoulder p1-active-elbow
CUB-SUBQ.P1.forbid p1-no-motion-elbow p1-no-cx-ulnar-full
CUB-SUBQ.P2.allow p2-active-assisted-elbow-wrist-forearm
CUB-SUBQ.P2.forbid p2-no-cx-ulnar-full p2-no-stretch-resisted-elbow
CUB-SUBQ.P3.allow p3-passive-stretch-elbow-wrist p3-cx-ulnar-full
CUB-SUBQ.gate gate-grip gate-adl-light-kg-0-5 gate-drive-kg-1 gate-ulnar-slider1 gate-grip-dyn-more-adl-mod-ulnar-slider2-kg-2-5 gate-mmt-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
NR-DIG.P1.allow p1-active-assisted-finger-pip-dip
NR-DIG.P1.forbid p1-no-passive-stretch-mp-pip-dip p1-no-resisted-finger
NR-DIG.P2.allow p2-active-assisted-passive-finger
NR-DIG.P2.forbid p2-no-stretch-mp-pip-dip
NR-DIG.P3.allow p3-stretch-finger
NR-DIG.gate gate-adl-light-grip gate-drive-kg-0-5 gate-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-mmt-sport-nc-wb-kg-10 gate-work-manual-sport-c-vibration-kg-99
NR-MU.never never-heat-on-insensate
NR-MU.P1.allow p1-active-passive-finger-pip-dip
NR-MU.P1.forbid p1-no-motion-wrist-ext p1-no-cx-ext-wf p1-no-median-ulnar-slider1
NR-MU.P2.allow p2-active-wrist p2-active-finger
NR-MU.P2.forbid p2-no-passive-stretch-wrist-ext p2-no-cx-ext-wf
NR-MU.P3.allow p3-active-assisted-wrist-finger p3-passive-wrist-finger
NR-MU.P3.forbid p3-no-stretch-wrist-finger p3-no-cx-ext-wf
NR-MU.P4.allow p4-stretch-passive-wrist-finger p4-cx-ext-wf
NR-MU.gate gate-adl-light-grip gate-median-ulnar-slider1 gate-drive-median-ulnar-slider2-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-mmt-sport-nc-wb-work-manual-kg-5 gate-sport-c-vibration-kg-99
RTS-CONS.never never-radial-sustained-hold
RTS-CONS.P1.allow p1-active-assisted-passive-elbow-forearm-more p1-stretch-wrist-flex
RTS-CONS.P1.forbid p1-no-resisted-wrist-forearm p1-no-stretch-wrist-flex
RTS-CONS.P2.allow p2-stretch-wrist-forearm
RTS-CONS.gate gate-adl-light-drive-grip-kg-1 gate-radial-slider1 gate-radial-slider2 gate-grip-dyn-pinch-gauge-adl-mod-sport-nc-kg-5 gate-mmt-prom-end-work-manual-wb-more-kg-99
RTS-REL.P1.allow p1-active-assisted-elbow-forearm-more
RTS-REL.P1.forbid p1-no-stretch-isometric-resisted-elbow-forearm
RTS-REL.P2.allow p2-passive-elbow-forearm
RTS-REL.P2.forbid p2-no-resisted-forearm-wrist
RTS-REL.P3.allow p3-stretch-elbow-forearm
RTS-REL.gate gate-adl-light-grip-kg-0-5 gate-drive-radial-slider1-kg-1 gate-grip-dyn-more-adl-mod-radial-slider2-kg-2-5 gate-mmt-sport-nc-wb-kg-5 gate-work-manual-sport-c-more-kg-99
SRN.never never-radial-sustained-hold
SRN.P1.allow p1-active-assisted-passive-thumb-wrist
SRN.P1.forbid p1-no-cx-flex-th-uln p1-no-resisted-th-cmc-wrist
SRN.P2.allow p2-stretch-thumb-wrist p2-cx-flex-th-uln
SRN.gate gate-adl-light-adl-mod-drive-grip-kg-2-5 gate-radial-slider1 gate-radial-slider2 gate-grip-dyn-pinch-gauge-work-manual-sport-nc-wb-kg gate-mmt-prom-end-sport-c-vibration-kg-99
UTS-CONS.never never-ulnar-sustained-hold
UTS-CONS.P1.allow p1-active-assisted-passive-finger-wrist
UTS-CONS.P1.forbid p1-no-resisted-wrist-finger p1-no-wb-vibration
UTS-CONS.P2.allow p2-stretch-wrist
UTS-CONS.gate gate-grip-dyn-pinch-gauge-adl-light-adl-mod-drive gate-ulnar-slider1 gate-ulnar-slider2 gate-work-manual-sport-nc-wb-kg-5 gate-mmt-prom-end-sport-c-vibration-kg-99
UTS-REL.P1.allow p1-active-assisted-finger-wrist
UTS-REL.P1.forbid p1-no-stretch-isometric-resisted-wrist p1-no-bowstring
UTS-REL.P2.allow p2-motion-wrist p2-bowstring
UTS-REL.gate gate-grip gate-adl-light-kg-0-5 gate-drive gate-ulnar-slider1-slider2 gate-prom-end-adl-mod-kg-2-5 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
CMC-ARTH-EARLY.never never-cmc-adduction-pinch
CMC-ARTH-EARLY.P1.allow p1-active-passive-th-ip-finger
CMC-ARTH-EARLY.P1.forbid p1-no-motion-th-cmc-th-mp-wrist p1-no-grip-key-tip-tripod
CMC-ARTH-EARLY.P2.allow p2-active-assisted-thumb-wrist
CMC-ARTH-EARLY.P2.forbid p2-no-passive-stretch-resisted-th-cmc p2-no-grip-key-tip
CMC-ARTH-EARLY.P3.allow p3-passive-stretch-th-cmc-th-mp-wrist p3-isometric-th-cmc
CMC-ARTH-EARLY.P3.forbid p3-no-resisted-th-cmc
CMC-ARTH-EARLY.P4.allow p4-passive-stretch-thumb-wrist p4-resisted-th-cmc-th-mp
CMC-ARTH-EARLY.gate gate-adl-light-grip-cyl-sph-kg-0-5 gate-drive gate-grip-key-tip-tripod gate-grip-key-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-mmt-sport-nc-wb-work-manual-grip-kg-5 gate-sport-c-vibration-grip-kg-99
CMC-ARTH.never never-cmc-adduction-pinch
CMC-ARTH.P1.allow p1-active-passive-th-ip-finger
CMC-ARTH.P1.forbid p1-no-motion-th-cmc-th-mp-wrist p1-no-grip-key-tip-tripod
CMC-ARTH.P2.allow p2-active-assisted-th-cmc-th-mp-more
CMC-ARTH.P2.forbid p2-no-passive-stretch-resisted-th-cmc p2-no-grip-key-tip
CMC-ARTH.P3.allow p3-passive-stretch-th-cmc-th-mp-wrist p3-isometric-th-cmc p3-active-assisted-thumb-wrist
CMC-ARTH.P3.forbid p3-no-resisted-th-cmc
CMC-ARTH.P4.allow p4-passive-stretch-thumb-wrist p4-resisted-th-cmc-th-mp
CMC-ARTH.gate gate-adl-light-grip-cyl-sph-kg-0-5 gate-drive gate-grip-key-tip-tripod gate-grip-key-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-mmt-sport-nc-wb-work-manual-grip-kg-5 gate-sport-c-vibration-grip-kg-99
CMC-OA.never never-grip-key-tip never-cmc-adduction-pinch
CMC-OA.P1.allow p1-motion-finger-thumb-wrist p1-stretch-th-cmc p1-isometric-th-cmc-pabd
CMC-OA.P1.forbid p1-no-resisted-th-cmc
CMC-OA.P2.allow p2-isometric-th-cmc-mp p2-stretch-th-cmc p2-resisted-th-cmc-mp
CMC-OA.P3.allow p3-stretch-th-cmc
CMC-OA.gate gate-adl-light-drive-adl-mod-grip-kg-2-5 gate-grip-dyn-more gate-r1 gate-grip-tip-tripod-key gate-kg-5 gate-mmt-sport-nc-wb-work-manual-grip-cyl-sph-hook-kg gate-grip-tripod-key-tip gate-sport-c-vibration-kg-99
CRPS.never never-forced-stretch-to-pain
CRPS.P1.allow p1-active-finger-wrist-forearm p1-assisted-finger
CRPS.P1.forbid p1-no-passive-stretch-resisted-finger-wrist
CRPS.P2.allow p2-active-assisted-isometric-finger-wrist-forearm p2-passive-finger-wrist
CRPS.P2.caution p2-care-stretch-finger-wrist
CRPS.P2.forbid p2-no-stretch-finger-wrist
CRPS.gate gate-adl-light-grip-kg-0-5 gate-adl-mod-drive-kg-2-5 gate-grip-dyn-pinch-gauge-sport-nc-wb-kg-5 gate-mmt-prom-end-work-manual-sport-c-vibration-kg-10
CRUSH.never never-forced-stretch
CRUSH.P1.allow p1-active-finger
CRUSH.P1.forbid p1-no-stretch-isometric-resisted-finger-wrist-thumb p1-no-cx-ext-wf-cx-flex-wf
CRUSH.P2.allow p2-active-assisted-passive-finger-wrist-thumb
CRUSH.P2.forbid p2-no-cx-ext-wf-cx-flex-wf p2-no-stretch-resisted-finger-wrist
CRUSH.P3.allow p3-stretch-finger-wrist-thumb p3-cx-ext-wf-cx-flex-wf p3-cx-ext-wf-cx-flex-wf-b
CRUSH.gate gate-adl-light-grip gate-kg-0-5 gate-prom-end-drive-kg-1 gate-grip-dyn-pinch-gauge-adl-mod-kg-2-5 gate-mmt-sport-nc-wb-more-kg-99
DQ-CONS.never never-cx-flex-th-uln
DQ-CONS.P1.allow p1-active-passive-wrist p1-active-th-cmc-th-mp-th-ip p1-cx-flex-th
DQ-CONS.P1.forbid p1-no-cx-flex-th-uln p1-no-resisted-th-cmc-wrist p1-no-grip-key-tip-span
DQ-CONS.P2.allow p2-active-passive-wrist-thumb p2-stretch-wrist p2-isometric-th-cmc-wrist p2-cx-flex-th-uln
DQ-CONS.P2.forbid p2-no-resisted-th-cmc-wrist
DQ-CONS.P3.allow p3-motion-wrist-thumb p3-cx-flex-th-uln-cx-flex-th
DQ-CONS.gate gate-adl-light-drive-grip-kg-1 gate-grip-cyl-sph-kg-2-5 gate-adl-mod gate-grip-dyn-more-sport-nc-wb-kg-5 gate-mmt-work-manual-sport-c-vibration-kg-99
DQ-REL.P1.allow p1-active-assisted-thumb-wrist
DQ-REL.P1.forbid p1-no-cx-flex-th-uln p1-no-stretch-isometric-resisted-thumb-wrist
DQ-REL.P2.allow p2-active-assisted-passive-thumb-wrist p2-cx-flex-th-uln
DQ-REL.P2.forbid p2-no-resisted-wrist-th-cmc
DQ-REL.P3.allow p3-stretch-thumb-wrist p3-cx-flex-th-uln
DQ-REL.gate gate-grip gate-adl-light-kg-0-5 gate-drive gate-prom-end-adl-mod-kg-1 gate-grip-dyn-more-sport-nc-wb-kg-5 gate-work-manual-sport-c-vibration-kg-99
DUP-CONS.P1.allow p1-motion-finger
DUP-CONS.P1.caution p1-care-stretch-mp-pip
DUP-CONS.gate gate-grip-dyn-more-adl-light-drive-more-kg-99
DUP-FAS-EXT.P1.allow p1-active-finger
DUP-FAS-EXT.P1.forbid p1-no-passive-stretch-mp-pip p1-no-cx-ext-wf
DUP-FAS-EXT.P2.allow p2-active-assisted-passive-finger
DUP-FAS-EXT.P2.forbid p2-no-stretch-mp-pip
DUP-FAS-EXT.P3.allow p3-stretch-finger p3-cx-ext-wf
DUP-FAS-EXT.gate gate-adl-light-grip gate-drive-kg-0-5 gate-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-mmt-sport-nc-wb-work-manual-kg-10 gate-sport-c-vibration-kg-99
DUP-FAS.P1.allow p1-active-finger
DUP-FAS.P1.forbid p1-no-stretch-passive-mp-pip p1-no-cx-ext-wf
DUP-FAS.P2.allow p2-active-assisted-passive-finger p2-stretch-mp-pip p2-cx-ext-wf p2-cx-ext-wf-b
DUP-FAS.P2.forbid p2-no-cx-ext-wf
DUP-FAS.P3.allow p3-stretch-finger
DUP-FAS.gate gate-adl-light-grip gate-drive-kg-0-5 gate-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-mmt-sport-nc-wb-work-manual-kg-10 gate-sport-c-vibration-kg-99
DUP-NEEDLE.P1.allow p1-active-finger p1-active-assisted-passive-mp-pip
DUP-NEEDLE.P1.forbid p1-no-clench-cx-ext-wf p1-no-grip
DUP-NEEDLE.P2.allow p2-active-passive-stretch-finger p2-cx-ext-wf p2-clench
DUP-NEEDLE.gate gate-adl-light-drive-grip-kg-1 gate-kg-2-5 gate-grip-dyn-more-adl-mod-sport-nc-wb-kg-5 gate-mmt-work-manual-vibration-torque-kg-10 gate-sport-c-kg-99
FOA.P1.allow p1-motion-finger p1-stretch-finger
FOA.P1.forbid p1-no-stretch-resisted-finger
FOA.P2.allow p2-stretch-finger p2-isometric-finger
FOA.P2.forbid p2-no-stretch-resisted-finger
FOA.gate gate-grip-dyn-more-adl-light-drive-adl-mod-grip-kg-2 gate-kg-5 gate-r2 gate-mmt-sport-nc-wb-work-manual gate-sport-c-vibration-kg-10
LET.P1.allow p1-isometric-wrist-ext p1-active-assisted-passive-wrist-forearm p1-stretch-wrist-flex
LET.P1.forbid p1-no-resisted-wrist-ext
LET.P2.allow p2-resisted-wrist-forearm
LET.P3.allow p3-stretch-wrist-forearm p3-resisted-wrist-forearm
LET.gate gate-grip-dyn-adl-light-drive-adl-mod-grip-kg-1 gate-kg-2-5 gate-pinch-gauge-prom-end-sport-nc-kg-5 gate-mmt-work-manual-sport-c-more-kg-99
MCPA.never never-grip-key never-mp-ulnar-load never-motion-mp-uln never-work-manual-sport-c-vibration
MCPA.P1.allow p1-active-mp-flex p1-active-passive-mp-ext p1-active-ip
MCPA.P1.forbid p1-no-stretch-isometric-resisted-mp p1-no-passive-mp-flex p1-no-fist p1-no-grip-key-tip
MCPA.P2.allow p2-active-mp-ip p2-passive-ip p2-fist
MCPA.P2.forbid p2-no-stretch-mp
MCPA.P3.allow p3-active-assisted-passive-mp-ip p3-stretch-ip
MCPA.P3.caution p3-care-stretch-mp
MCPA.gate gate-adl-light-grip-cyl-sph-kg-0-5 gate-drive-kg-1 gate-pinch-gauge-more-adl-mod-grip-cyl-sph-kg-2-5 gate-grip-tip-tripod gate-mmt-sport-nc-wb-kg-5
MET.P1.allow p1-isometric-wrist-forearm p1-active-assisted-passive-wrist-forearm p1-stretch-wrist-ext
MET.P1.forbid p1-no-resisted-wrist-forearm
MET.P2.allow p2-resisted-wrist-forearm
MET.P3.allow p3-stretch-wrist-forearm p3-resisted-wrist-forearm
MET.gate gate-grip-dyn-adl-light-drive-adl-mod-grip-kg-1 gate-kg-2-5 gate-pinch-gauge-prom-end-sport-nc-kg-5 gate-mmt-work-manual-sport-c-more-kg-99
RA-FLARE.never never-mp-ulnar-load
RA-FLARE.P1.allow p1-active-finger-wrist p1-isometric-wrist-finger
RA-FLARE.P1.forbid p1-no-passive-stretch-resisted-finger-wrist p1-no-mp-ulnar-load p1-no-grip-dyn-more-adl-mod-wb-more
RA-FLARE.gate gate-adl-light-grip-kg-1 gate-drive
RA-QUIET.never never-mp-ulnar-load never-grip-key
RA-QUIET.P1.allow p1-active-assisted-held-finger-wrist p1-passive-finger-wrist p1-isometric-wrist-forearm-finger p1-stretch-finger-wrist
RA-QUIET.P2.allow p2-resisted-wrist-finger p2-stretch-finger-wrist
RA-QUIET.gate gate-adl-light-drive-adl-mod-grip-kg-2-5 gate-grip-dyn-more gate-kg-5 gate-r2 gate-mmt-sport-nc-wb-work-manual gate-isometric-resisted-wrist-forearm-finger-sport-c
STIFF.P1.allow p1-motion-finger-wrist-more
STIFF.P1.forbid p1-no-stretch-finger-wrist
STIFF.P2.allow p2-stretch-finger-wrist-more p2-isometric-resisted-finger-wrist
STIFF.gate gate-adl-light-drive-grip-kg-1 gate-grip-dyn-more-kg-2-5 gate-adl-mod-sport-nc-wb-kg-5 gate-mmt-work-manual-sport-c-more-kg-99
TF-CONS.P1.allow p1-active-pip-dip-mp p1-hook
TF-CONS.P1.forbid p1-no-fist-clench p1-no-resisted-finger-flex p1-no-grip
TF-CONS.P2.allow p2-active-passive-finger p2-fist
TF-CONS.P2.forbid p2-no-resisted-finger-flex
TF-CONS.P3.allow p3-stretch-pip-ext p3-clench
TF-CONS.gate gate-adl-light-drive-grip-kg-2-5 gate-grip-dyn-more-adl-mod-kg-5 gate-mmt-work-manual-sport-nc-wb gate-sport-c-vibration-kg-99
TF-REL.P1.allow p1-motion-finger
TF-REL.P1.forbid p1-no-isometric-resisted-stretch-finger-flex
TF-REL.P2.allow p2-motion-finger
TF-REL.P2.forbid p2-no-resisted-finger-flex
TF-REL.gate gate-grip gate-adl-light-kg-0-5 gate-drive gate-kg-1 gate-grip-dyn-more-adl-mod-kg-2-5 gate-mmt-work-manual-sport-nc-more-kg-99
`
