# frozen_string_literal: true

# The whole route of a piece: all its ways as never seen before, the way taken alone, and one edit of it.
class RouteBench
  ROUNDS = 15

  # documents: { name => blank document }.
  def initialize(documents)
    @documents = documents
    @touches = Touches.new
  end

  def run
    @documents.each do |name, document|
      puts "Route, #{name}"
      all, taken, edited =
        Times.of_new(
          ROUNDS,
          -> { routed(@touches.one(document), :all) },
          -> { routed(@touches.one(document), :taken) },
          -> { routed(edited(document), :taken) }
        )
      Times.say "all ways, one defect changed", Times.spread(all)
      Times.say "the way taken alone, one defect changed", Times.spread(taken)
      Times.say "the way taken, one step moved and nothing else", Times.spread(edited)
    end
  end

  private

  # Work on a blank that is made beforehand.
  def routed(document, ways)
    blank = MossyAnvil::Formats::BlankFile.from_data(document)
    -> { MossyAnvil::Report::RouteReport.new(blank, ways: ways).to_h }
  end

  def edited(document) = document.merge("route" => { "order" => %w[mount sand].rotate(@turn = @turn.to_i + 1) })
end
