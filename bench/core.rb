# frozen_string_literal: true

# The core alone: No. 33 with four stages and splitting planes, as a blank it has not seen before, and as one in which
# one thing was changed since the last time.
class CoreBench
  ROUNDS = 40

  def initialize(document)
    @document = document
    @touches = Touches.new
  end

  def run
    puts "Core, No. 33, four stages and splitting planes"
    raw = { "in Ruby as it comes" => plain_raw_ms, "with memory kept as the server keeps it" => CoreBench.raw_ms }
    say_assessment("one defect changed", one_changed(@document), raw)
    say_assessment("not seen before", unseen(@document), raw)
    say_ratio("fine grid over default", 8, one_changed(@document, :fine), one_changed(@document))
    sixty, six = with_defects(60), with_defects(6)
    say_ratio("60 defects over 6, one changed", 20, one_changed(sixty), one_changed(six))
    say_ratio("60 defects over 6, not seen before", 20, unseen(sixty), unseen(six))
  end

  # raw: { words => ms } of one multiply-and-sum over the same cells.
  def say_assessment(name, work, raw)
    times = Times.of_new(ROUNDS, work).first
    Times.say "assessment, default grid, #{name}", Times.spread(times)
    raw.each do |how, ms|
      Times.say "over one raw multiply-and-sum, #{how}", format("%.1f x (raw %.1f ms)", Times.median(times) / ms, ms)
    end
  end

  # No. 33 with so many cracks and pockets all round it.
  def with_defects(count)
    kinds =
      Array.new(count) do |index|
        if index.even?
          {
            "id" => "c#{index}",
            "type" => "crack",
            "enters" => "side",
            "depth_mm" => 8 + (index % 9),
            "width_mm" => 1,
            "path" => [20, 240].map { |z_mm| { "clock_deg" => index * 6, "z_mm" => z_mm } }
          }
        else
          {
            "id" => "v#{index}",
            "type" => "void",
            "contents" => "air",
            "size_mm" => [9, 11, 14],
            "centre" => {
              "clock_deg" => index * 6,
              "r_mm" => 50,
              "z_mm" => 30 + (index * 3)
            }
          }
        end
      end
    @document.merge("defects" => kinds)
  end

  # Milliseconds of one raw multiply-and-sum over as many cells.
  def self.raw_ms
    steps = MossyAnvil::Solid::Grid::STEPS[:default]
    cells = Numo::DFloat.new(steps[1], steps[2], steps[0]).rand
    other = cells.dup
    Times.median(Times.taken(ROUNDS) { (cells * other).sum })
  end

  private

  def say_ratio(name, rounds, *works)
    one, other = Times.of_new(rounds, *works).map { |times| Times.median(times) }
    Times.say name, format("%.1f x (%.0f ms over %.0f ms)", one / other, one, other)
  end

  # Each call gives the work of a blank in which another defect is a little other than before.
  def one_changed(document, fineness = :default) = work(fineness) { @touches.one(document) }

  # Each call gives the work of a blank of which nothing is as before.
  def unseen(document, fineness = :default) = work(fineness) { @touches.all(document) }

  def work(fineness)
    proc do
      piece = MossyAnvil::Formats::BlankFile.from_data(yield)
      proc { MossyAnvil::Report::Assessment.new(piece, fineness: fineness).to_h }
    end
  end

  # Of a Ruby of its own that nobody told how to keep memory: there a new array costs more than filling it.
  def plain_raw_ms
    unset = MEMORY.keys.to_h { |name| [name, nil] }
    script =
      "%w[core/lib/mossy_anvil bench/times bench/touches bench/core].each { |part| require File.join(Dir.pwd, part) }; puts CoreBench.raw_ms"
    Float(IO.popen([unset, RbConfig.ruby, "-rbundler/setup", "-e", script], &:read))
  end
end
