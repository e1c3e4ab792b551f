# frozen_string_literal: true

require "json"
require "yaml"
require "numo/narray"

# The rules of the job: pure computation on one blank. No I/O but its own data
# files, no clock, no database, no web.
module MossyAnvil
  DATA_DIR = File.expand_path("../data", __dir__)
end

%w[
  errors figure table clock recall overwrite
  blank/disc blank/block blank/outline blank/lump blank/stock blank/material
  blank/body_defect blank/bond blank/path_defect blank/path_rows blank/defects blank/lathe blank/centres blank/blank blank/seam blank/soft_spots blank/tests
  blank/meetings blank/contents
  form/profile form/followed form/form form/form_maker form/profile_line form/placement form/placement_move form/pattern form/placement_field
  form/wishes form/placement_search form/walls
  form/skin_area form/defect_lumps form/defect_shares form/defect_share
  solid/grid solid/field solid/body_cover solid/path_cover solid/stepped_rods solid/painter solid/running_sums solid/stage solid/mass_properties solid/freed_pieces
  turn/balance turn/balancing turn/half_pulls turn/section turn/burst turn/wall_crack turn/wall_opening turn/wall_line turn/wall_openings turn/crack_run
  turn/crack_toughness turn/cracks_at_stage turn/cross_sections turn/wall_force turn/weakest_wall turn/heat
  turn/loose_piece turn/rim turn/stage_limit turn/ladder
  turn/cutting_circle turn/most_air turn/peel turn/cut_strip turn/set_outs turn/mount_hold turn/mount_site turn/plate_screws
  turn/mount_bearing turn/mount_judge turn/mount_clearances
  mend/moisture mend/moisture_profile mend/drying mend/shrinkage mend/filling mend/resin mend/casting
  mend/cure_time mend/cure_kinetics mend/curing_cup mend/cooling_slab mend/exotherm mend/layer_plan
  mend/batches mend/mould mend/in_mould mend/heat_through mend/bubble_log mend/stabilising mend/crack_opening mend/whereabouts mend/triage mend/ways
  shop/shop_records shop/shelf shop/wait
  mend/mend_scene mend/mend_step mend/hardening_ways mend/filler_choice mend/fill_positions mend/groove_map mend/pour_plan
  mend/cast_detail mend/cast_lines mend/cast_findings
  mend/step/dry_step mend/step/stabilise_step mend/step/soak_step mend/step/glue_step mend/step/fill_step mend/step/inlay_step mend/step/cast_step mend/step/sand_step
  mend/mend_steps mend/mend_proposal mend/mend_conflicts mend/mend_effect
  finish/grit_sequence
  scan/mesh scan/mesh_file scan/stations scan/scan_report scan/trace scan/profile_trace
  formats/days formats/json_text formats/blank_file formats/drawing formats/skin_map formats/section_map formats/form_template formats/form_mesh formats/svg_path
  reckon/workings reckon/stage_caps reckon/stage_report reckon/defect_report reckon/meeting_report reckon/rough_report reckon/form_report reckon/shop_climate
  reckon/drying_report reckon/finish_report
  reckon/geometry reckon/of_report reckon/saying reckon/test_findings reckon/cautions reckon/worth_report reckon/form_findings
  reckon/mend_findings reckon/turn_findings reckon/finish_findings reckon/findings reckon/next_move
  reckon/assessment reckon/form_outcome reckon/placement_report reckon/comparison reckon/mount_report reckon/set_out_report reckon/mend_report
  reckon/intake_report reckon/next_tests
].each { |file| require_relative "mossy_anvil/#{file}" }
