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
      return say(:cut_away, "The form turns all of it away.") if @share.removed?

      case @defect.type
      when "crack" then crack
      when "bark_inclusion" then say(:hold, bark, @blank.form ? { kept: kept } : {})
      when "void" then opening("pocket")
      when "galleries" then opening("field of holes")
      when "soft_zone" then soft
      when "loose_piece" then say(:hold, "Only {bonded} of its back holds. Pry it off or glue it down before the lathe turns.",
        bonded: [@defect.detail[:bonded_share] * 100, "%"])
      when "hard_inclusion" then hard
      else say(:leave, "Part of the piece: {kept} of it stays.", kept: kept)
      end
    end

    private

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

    def hard
      return say(:leave, "A knot: harder to cut, and the fibres turn round it.") if @defect.detail[:of] == "knot"

      say(:stop, "{kept} of it stays in the piece. Dig it out before an edge meets it.", kept: kept)
    end
  end
end
