# frozen_string_literal: true

module MossyAnvil
  # What to do about one defect, from where it is and what the form leaves of it.
  # Verdict: :cut_away, :leave, :fill, :hold, :soak or :stop.
  class Triage
    Answer = Struct.new(:verdict, :reason, :amounts, keyword_init: true)

    # share: DefectShare of the defect.
    def initialize(defect, share, blank)
      @defect = defect
      @share = share
      @blank = blank
    end

    # reason: a sentence with {names} for the amounts, [value, unit] each.
    def answer
      danger_on_the_way || (@share.removed? ? say(:cut_away, "The form turns all of it away.") : by_type)
    end

    private

    # What hurts before the form could have turned it away.
    def danger_on_the_way
      return loose if @defect.type == "loose_piece"

      hard if hard_on_the_edge?
    end

    def by_type
      case @defect.type
      when "crack", "delamination" then crack
      when "bark_inclusion" then say(:hold, bark, @blank.form ? { kept: kept } : {})
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

    def crack
      if @defect.mended?
        say(:leave, "Glued: taken as a glue line, {kept} of it stays.", kept: kept)
      elsif @share.breaks_through?
        say(:fill, "Goes through the finished wall. Fill and glue it before hollowing: {fill}.", fill: fill)
      else
        say(:fill, "{left} of its depth stays in the finished piece. Fill and glue it: {fill}.", left: [@share.remaining_depth_mm, "mm"], fill: fill)
      end
    end

    def bark
      return "Bark holds nothing. Take it off, or pack and glue it, before it comes off by itself." if @blank.form.nil?

      "Bark holds nothing: {kept} of it stays, so pack or glue it before the wall gets thin."
    end

    def opening(name)
      if @blank.form.nil? && !@share.reaches_surface?
        say(:leave, "The #{name} is closed, as far as was found. What becomes of it the form will tell.")
      elsif @share.breaks_through?
        say(:fill, "The #{name} opens both ways through the wall. Fill it before hollowing: {fill}.", fill: fill)
      elsif @share.reaches_surface?
        say(:fill, "The #{name} opens on a finished surface: {fill} to fill, or leave it open with its edges hardened.", fill: fill)
      else
        say(:leave, "The #{name} stays closed inside the finished wood; {kept} of it is in there. Allow for it in the speed.", kept: kept)
      end
    end

    def soft
      strength = [@defect.strength_factor * 100, "%"]
      if @defect.detail[:grade] == "firm"
        say(:leave, "Firm enough to cut clean: it has {strength} of the strength of sound wood.", strength: strength)
      else
        say(:soak, "{kept} of it stays and holds {strength} of what sound wood does. Harden it before the wall gets thin.", kept: kept, strength: strength)
      end
    end

    # It flies off long before the form would have turned it away.
    def loose
      say(:hold, "Only {bonded} of its back holds. Pry it off or glue it down before the lathe turns.", bonded: [@defect.detail[:bonded_share] * 100, "%"])
    end

    def hidden
      return say(:leave, "A knot: harder to cut, and the fibres turn round it.") if hard_stuff == "knot"

      say(:leave, "Whole inside the finished wood, where no edge comes. Keep drills clear of it.")
    end

    def hard_stuff = @defect.path? ? nil : @defect.detail[:of] || @defect.detail[:contents]

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
