# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What to do about one defect, from where it is and what the form leaves of it.
    # Verdict: :cut_away, :leave, :fill, :cast, :hold, :soak, :dry_first, :remove_now or :stop. It follows the place, the size, what the form removes,
    # the wall, the wood's water and what the piece is for.
    class Triage
      Answer = Struct.new(:verdict, :reason, :amounts, keyword_init: true)

      # share: DefectShare of the defect; where: its DefectLocation. water: the drying report, or nil for stock that holds none.
      def initialize(defect, share, blank, where, water: nil)
        @defect = defect
        @share = share
        @blank = blank
        @where = where
        @water = water
      end

      # reason: a sentence with {names} for the amounts, [value, unit] each.
      def answer
        danger_on_the_way || (@share.removed? ? say(:cut_away, "The form turns all of it away.") : dry_enough(by_type))
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

        say(:dry_first, "#{answer.reason} Too wet for #{filler['name']} yet: {now}, and it wants {gate}.",
          { **answer.amounts, now: [@water[:moisture_pct], "%"], gate: [gate, "%"] })
      end

      def filler = @filler ||= Filling.filler_of(@defect, moisture_pct: @water&.fetch(:moisture_pct))

      def by_type
        case @defect.type
        when "crack", "delamination" then crack
        when "bark_inclusion" then bark
        when "void" then opening("pocket")
        when "galleries" then opening("field of holes")
        when "bubble_pocket" then opening("pocket of bubbles")
        when "soft_zone" then soft
        when "hard_inclusion" then hidden
        else say(:leave, "Part of the piece: {kept} of it stays.", kept: kept)
        end
      end

      def say(verdict, reason, amounts = {})
        Answer.new(verdict: verdict, reason: reason, amounts: amounts)
      end

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
          say(:fill, "Runs under the future tenon: glue all of it before anything is gripped there, {whole}, or hold the piece another way.", whole: whole)
        elsif @share.breaks_through?
          say(:fill, "Goes through the finished #{@where.floor? ? 'floor' : 'wall'}. Fill and glue all of it before the lathe turns: {whole}; {fill} of that stays.",
            amounts)
        elsif @blank.form && left[0] < Table["ways"]["sanded_mm"]
          say(:leave, "Only {left} of its depth stays in the finished piece: it goes with the sanding. Look again when the outside is turned.", left: left)
        else
          say(:fill, "{left} of its depth stays in the finished piece. Fill and glue all of it before the lathe turns: {whole}; {fill} of that stays.", left: left,
  **amounts)
        end
      end

      # What fills it need not hold it.
      def mended
        return say(:leave, "Glued: taken as a glue line, {kept} of it stays.", kept: kept) if @defect.holds?

        name = Table.row("fillers", @defect.mend)["name"]
        say(:leave, "Filled with #{name}, which bonds nothing across {mouth}: it counts as open.", mouth: [@defect.width_mm, "mm"])
      end

      def bark
        return say(:leave, "Packed or glued: it stays put and holds nothing. Look at it whenever the lathe stops.") if @defect.mended?
        return say(:hold, "Bark holds nothing. Take it off, or pack and glue it, before it comes off by itself.") if @blank.form.nil?

        say(:hold, "Bark holds nothing: {kept} of it stays, so pack or glue it before the wall gets thin.", kept: kept)
      end

      def opening(name)
        return holes if @defect.many_holes? && @share.reaches_surface?
        return open_to_both(name) if @share.breaks_through?
        return open_to_one(name) if @share.reaches_surface?
        return say(:leave, "The #{name} is closed, as far as was found. What becomes of it the form will tell.") unless @blank.form

        say(:leave, "The #{name} stays closed inside the finished wood; {kept} of it is in there. Allow for it in the speed.", kept: kept)
      end

      # Nobody fills them one by one.
      def holes
        return say(:leave, "Soaked as far as that goes; the holes still count as open.") if @defect.soaked_share.positive?

        where = @share.breaks_through? ? "The holes go through the wall" : "The holes open on a finished surface"
        say(:soak, "#{where}. Draw thin resin in under vacuum, or stabilise it, before the lathe turns: about {whole}.", whole: whole)
      end

      def open_to_both(name)
        way = fill_or_cast
        say(way,
          "The #{name} opens both ways through the #{@where.floor? ? 'floor' : 'wall'}. #{way.to_s.capitalize} it before the lathe turns: {whole}; {fill} of that stays.", amounts)
      end

      def open_to_one(name)
        way = fill_or_cast
        if way == :fill && @blank.form&.use == "display"
          return say(:leave, "The #{name} opens on a finished surface and may be shown on a piece to look at: harden its edges. {whole} would fill it.", whole: whole)
        end

        tail = %w[food wet].include?(@blank.form&.use) ? ", since nothing open is clean in use" : ", or leave it open with its edges hardened"
        say(way, "The #{name} opens on a finished surface: {whole} to #{way}#{tail}; {fill} of that stays.", amounts)
      end

      # Much to fill in an opening wide enough for resin is poured at once.
      def fill_or_cast
        filler["key"] == "resin" && @share.to_fill_mm3 / 1000 >= Table["ways"]["cast_from_ml"] ? :cast : :fill
      end

      def soft
        strength = [@defect.strength_factor * 100, "%"]
        if @defect.detail[:grade] == "firm"
          say(:leave, "Firm enough to cut clean: it has {strength} of the strength of sound wood.", strength: strength)
        elsif @defect.soaked_share.positive?
          say(:leave, "Soaked as far as that goes: it holds {strength} of what sound wood does. Cut it clean and light.", strength: strength)
        else
          say(:soak, "{kept} of it stays and holds {strength} of what sound wood does. Harden it before the wall gets thin.", kept: kept, strength: strength)
        end
      end

      # It flies off long before the form would have turned it away.
      def loose
        bonded = [@defect.detail[:bonded_share] * 100, "%"]
        if @defect.detail[:bonded_share] < Table["ways"]["pry_off_under_share"]
          return say(:remove_now, "Only {bonded} of its back holds: take it off now, before it comes off by itself.", bonded: bonded)
        end

        held = @defect.detail[:bonded_share] >= Table["glues"]["held_share"]
        return say(:leave, "Glued back: {bonded} of its back holds, and the speed follows.", bonded: bonded) if held

        say(:hold, "Only {bonded} of its back holds. Pry it off or glue it down before the lathe turns.", bonded: bonded)
      end

      def dig_out
        say(:remove_now, "Dirt in it, and an edge comes there: dig it out and blow it clean before it takes the edge off every tool.")
      end

      def hidden
        return say(:leave, "A knot: harder to cut, and the fibres turn round it.") if hard_stuff == "knot"

        say(:leave, "Whole inside the finished wood, where no edge comes. Keep drills clear of it.")
      end

      def hard_stuff = @defect.detail_of(:of) || @defect.detail_of(:contents)

      # Stone and metal break the edge and are thrown, whether they stay in the piece or are in the way of it.
      def hard_on_the_edge? = %w[stone metal].include?(hard_stuff) && (@blank.form.nil? || edge_meets?)

      # Whole inside the finished wood, nothing is cut there.
      def edge_meets? = @share.removed_share > 0.001 || @share.reaches_surface?

      def hard
        from = [@defect.radius_mm + (@defect.size_mm[0] / 2), @blank.shape.max_radius_mm].min
        say(:stop, "An edge would strike #{hard_stuff} {from} from the axis, {z} from the head: it chips the edge and is thrown. Dig it out first.",
          from: [from, "mm"], z: [@defect.z_mm, "mm"])
      end
    end
  end
end
