# frozen_string_literal: true

# The heat of a pour and a whole plan of mending, on one core.
class MendBench
  ROUNDS = 12

  # document: a blank with a casting in its plan.
  def initialize(document)
    @blank = MossyAnvil::Formats::BlankFile.from_data(document)
  end

  def run
    puts "Mending"
    quick, slow =
      [40, 720].map { |minutes| MossyAnvil::Mend::CureCalibration.kinetics(working_min: minutes, density_g_ml: 1.1) }
    Times.say "heat of one layer: 12 mm, workable 40 min",
              Times.spread(Times.taken(ROUNDS) { MossyAnvil::Mend::Exotherm.new(quick, depth_mm: 12) })
    Times.say "heat of one layer: 100 mm, workable 12 h",
              Times.spread(Times.taken(ROUNDS) { MossyAnvil::Mend::Exotherm.new(slow, depth_mm: 100) })
    Times.say "layers of a 100 mm pour",
              Times.spread(Times.taken(ROUNDS) { MossyAnvil::Mend::LayerPlan.new(slow, 100).layers })
    Times.say "whole plan with a casting, No. 35",
              Times.spread(Times.taken(ROUNDS) { MossyAnvil::Report::MendReport.new(@blank).to_h })
  end
end
