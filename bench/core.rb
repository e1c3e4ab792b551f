# frozen_string_literal: true

# The core alone: No. 33 with four stages and splitting planes.
class CoreBench
  ROUNDS = 40

  def initialize(document)
    @document = document
  end

  def run
    puts "Core, No. 33, four stages and splitting planes"
    whole = Times.taken(ROUNDS, &work(@document))
    raw = Times.taken(ROUNDS, &raw_sum)
    Times.say "assessment, default grid", Times.spread(whole)
    Times.say "over one raw multiply-and-sum of the same cells", format("%.1f x (raw %s)", Times.median(whole) / Times.median(raw), Times.spread(raw))
    default, fine = Times.in_turn(8, work(@document), work(@document, :fine))
    Times.say "fine grid over default", format("%.1f x", Times.median(fine) / Times.median(default))
    six, sixty = Times.in_turn(20, work(with_defects(6)), work(with_defects(60)))
    Times.say "60 defects over 6", format("%.1f x (%.0f ms over %.0f ms)", Times.median(sixty) / Times.median(six), Times.median(sixty), Times.median(six))
  end

  # No. 33 with so many cracks and pockets all round it.
  def with_defects(count)
    kinds = Array.new(count) do |index|
      if index.even?
        { "id" => "c#{index}", "type" => "crack", "enters" => "side", "depth_mm" => 8 + (index % 9), "width_mm" => 1,
          "path" => [20, 240].map { |z_mm| { "clock_deg" => index * 6, "z_mm" => z_mm } } }
      else
        { "id" => "v#{index}", "type" => "void", "contents" => "air", "size_mm" => [9, 11, 14],
          "centre" => { "clock_deg" => index * 6, "r_mm" => 50, "z_mm" => 30 + (index * 3) } }
      end
    end
    @document.merge("defects" => kinds)
  end

  private

  def work(document, fineness = :default)
    piece = MossyAnvil::BlankFile.from_data(document)
    proc { MossyAnvil::Assessment.new(piece, fineness: fineness).to_h }
  end

  def raw_sum
    steps = MossyAnvil::Grid::STEPS[:default]
    cells = Numo::DFloat.new(steps[1], steps[2], steps[0]).rand
    other = cells.dup
    proc { (cells * other).sum }
  end
end
