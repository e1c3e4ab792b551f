# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What to do about one defect, from where it is and what the form leaves of it.
    # Verdict: :cut_away, :leave, :fill, :cast, :hold, :soak, :dry_first, :remove_now or :stop. It follows the place,
    # the size, what the form removes, the wall, the wood's water and what the piece is for.
    class Triage
      # reason: a message.
      Answer = Struct.new(:verdict, :reason, keyword_init: true)

      # share: DefectShare of the defect; where: its DefectLocation. water: the drying report, or nil for stock that
      # holds none.
      def initialize(defect, share, blank, where, water: nil)
        @defect = defect
        @share = share
        @blank = blank
        @where = where
        @water = water
      end

      def answer
        danger_on_the_way || (@share.removed? ? say(:cut_away, "turned_away") : dry_enough(by_type))
      end

      private

      # What hurts before the form could have turned it away.
      def danger_on_the_way
        return loose if @defect.type == "loose_piece"
        return hard if hard_on_the_edge?

        dig_out if @defect.detail_of(:contents) == "dirt" && edge_meets?
      end

      # What takes a filler waits until the wood is dry enough for it.
      def dry_enough(answer)
        gate = %i[fill cast].include?(answer.verdict) && filler["dry_to_pct"]
        return answer unless gate && @water && @water[:moisture_pct] > gate

        say(
          :dry_first,
          "too_wet",
          reason: answer.reason,
          filler: Table.term("fillers", filler["key"]),
          now: [@water[:moisture_pct], "%"],
          gate: [gate, "%"]
        )
      end

      def filler = @filler ||= Filling.filler_of(@defect, moisture_pct: @water&.fetch(:moisture_pct))

      def by_type
        case @defect.type
        when "crack", "delamination"
          crack
        when "bark_inclusion"
          bark
        when "void", "galleries", "bubble_pocket"
          opening
        when "soft_zone"
          soft
        when "hard_inclusion"
          hidden
        else
          say(:leave, "part_of_piece", kept: kept)
        end
      end

      def say(verdict, key, **amounts) = Answer.new(verdict: verdict, reason: Message.of("triage.#{key}", **amounts))
      def type = Message.term("openings.#{@defect.type}")

      def kept = [(1 - @share.removed_share) * 100, "%"]
      def fill = [@share.fill_mm3 / 1000, "ml"]
      def whole = [@share.to_fill_mm3 / 1000, "ml"]
      # How much to fill, and how much of that stays.
      def amounts = { whole: whole, fill: fill }

      def crack
        left = [@share.remaining_depth_mm, "mm"]
        if @defect.mended?
          mended
        elsif @where.tenon?
          say(:fill, "under_tenon", whole: whole)
        elsif @share.breaks_through?
          say(:fill, @where.floor? ? "through_floor" : "through_wall", **amounts)
        elsif @blank.form && left[0] < Table["ways"]["sanded_mm"]
          say(:leave, "sanded_away", left: left)
        else
          say(:fill, "stays", left: left, **amounts)
        end
      end

      # What fills it need not hold it.
      def mended
        return say(:leave, "glued", kept: kept) if @defect.holds?

        say(:leave, "filled_not_bonded", filler: Table.term("fillers", @defect.mend), mouth: [@defect.width_mm, "mm"])
      end

      def bark
        return say(:leave, "bark_packed") if @defect.mended?
        return say(:hold, "bark") if @blank.form.nil?

        say(:hold, "bark_stays", kept: kept)
      end

      def opening
        return holes if @defect.many_holes? && @share.reaches_surface?
        return open_to_both if @share.breaks_through?
        return open_to_one if @share.reaches_surface?
        return say(:leave, "closed", type: type) unless @blank.form

        say(:leave, "closed_inside", type: type, kept: kept)
      end

      # Nobody fills them one by one.
      def holes
        return say(:leave, "holes_soaked") if @defect.soaked_share.positive?

        say(:soak, @share.breaks_through? ? "holes_through" : "holes_open", whole: whole)
      end

      def open_to_both
        way = fill_or_cast
        say(
          way,
          "both_ways_#{way}",
          type: type,
          place: Message.term("places.#{@where.floor? ? "floor" : "wall"}"),
          **amounts
        )
      end

      def open_to_one
        way = fill_or_cast
        return say(:leave, "shown", type: type, whole: whole) if way == :fill && @blank.form&.use == "display"

        say(way, "one_way_#{way}#{"_clean" if %w[food wet].include?(@blank.form&.use)}", type: type, **amounts)
      end

      # Much to fill in an opening wide enough for resin is poured at once.
      def fill_or_cast
        filler["key"] == "resin" && @share.to_fill_mm3 / 1000 >= Table["ways"]["cast_from_ml"] ? :cast : :fill
      end

      def soft
        strength = [@defect.strength_factor * 100, "%"]
        if @defect.detail[:grade] == "firm"
          say(:leave, "firm", strength: strength)
        elsif @defect.soaked_share.positive?
          say(:leave, "soaked", strength: strength)
        else
          say(:soak, "soft", kept: kept, strength: strength)
        end
      end

      # It flies off long before the form would have turned it away.
      def loose
        bonded = [@defect.detail[:bonded_share] * 100, "%"]
        if @defect.detail[:bonded_share] < Table["ways"]["pry_off_under_share"]
          return say(:remove_now, "comes_off", bonded: bonded)
        end

        held = @defect.detail[:bonded_share] >= Table["glues"]["held_share"]
        held ? say(:leave, "glued_back", bonded: bonded) : say(:hold, "loose", bonded: bonded)
      end

      def dig_out = say(:remove_now, "dirt")
      def hidden = say(:leave, hard_stuff == "knot" ? "knot" : "whole_inside")

      def hard_stuff = @defect.detail_of(:of) || @defect.detail_of(:contents)

      # Stone and metal break the edge and are thrown, whether they stay in the piece or are in the way of it.
      def hard_on_the_edge? = %w[stone metal].include?(hard_stuff) && (@blank.form.nil? || edge_meets?)

      # Whole inside the finished wood, nothing is cut there.
      def edge_meets? = @share.removed_share > 0.001 || @share.reaches_surface?

      def hard
        from = [@defect.radius_mm + (@defect.size_mm[0] / 2), @blank.shape.max_radius_mm].min
        say(
          :stop,
          "strikes",
          what: Message.term("hard_things.#{hard_stuff}"),
          from: [from, "mm"],
          z: [@defect.z_mm, "mm"]
        )
      end
    end
  end
end
