# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # One complete blank that agrees with everything that was surveyed and tested, drawn from a seed: every crack as
    # deep as it may be, what a test makes one suspect, what lies hidden, and how strong this wood is.
    class Truth
      # strength, toughness: over what the tables say; glue_mpa: of a joint; resin_pace: working time over its sheet's;
      # moisture_points: beside what was measured. hidden: list of BodyDefect.
      attr_reader :strength, :toughness, :glue_mpa, :resin_pace, :moisture_points, :hidden

      # blank: as surveyed. draws: Draws, nil where nothing is left to chance: then the truth is the survey.
      # troubles: HiddenTroubles of the blank.
      def initialize(blank, draws, troubles)
        @draws = draws
        @hidden, @ratios = [], {}
        unless draws
          as_told
          return
        end

        draw_stuff(Table["odds"]["spread"])
        @hidden = [*troubles.drawn(draws), *suspected(blank)]
        paths = blank.defects.select { |defect| defect.path? && defect.depth_mm.positive? }
        @ratios = paths.to_h { |defect| [defect.id, ratio(defect)] }
      end

      # The survey's blank, or the same with some of it mended or another form, as it truly is.
      def of(blank)
        known = blank.defects.map { |defect| true_of(defect) }
        blank.with_defects(known + hidden)
      end

      # mm, of a defect that runs along a path.
      def depth_mm(defect) = defect.depth_mm * @ratios.fetch(defect.id, 1.0)

      # The same with that crack's depth no longer in doubt: as it was written down.
      def felt(id) = dup.tap { |other| other.known(id) }

      # The same with some of what lies hidden filled, ids of those.
      def filled(ids) = dup.tap { |other| other.without { |body| ids.include?(body.id) } }

      # The same without what taps all round a blank of that shape would have found: of what lies no deeper than a tap
      # speaks for.
      def tapped(shape)
        row = Table["odds"]["tests"]
        dup.tap do |other|
          other.without do |body|
            under_mm(body, shape) <= row["tap_within_mm"] && @draws.share("tapped #{body.id}") >= row["tap_share"]
          end
        end
      end

      protected

      def known(id) = @ratios = @ratios.merge(id => 1.0)
      def without(&) = @hidden = @hidden.reject(&)

      private

      def as_told
        @strength = @toughness = @resin_pace = 1.0
        @moisture_points = 0.0
        @glue_mpa = Table["odds"]["spread"]["glue_mpa"][1]
      end

      def draw_stuff(spread)
        @strength = @draws.lognormal("strength", 1.0, spread["strength"])
        @toughness = @draws.lognormal("toughness", 1.0, spread["toughness"])
        @glue_mpa = @draws.triangular("glue", *spread["glue_mpa"])
        @resin_pace = @draws.lognormal("resin", 1.0, spread["resin_pace"])
        @moisture_points = @draws.triangular("moisture", *spread["moisture_points"])
      end

      # mm to the nearest skin, at most.
      def under_mm(body, shape)
        [shape.max_radius_mm - body.radius_mm, body.z_mm, shape.length_mm - body.z_mm].min
      end

      def true_of(defect)
        known = @ratios.key?(defect.id) ? defect.at_depth(depth_mm(defect)) : defect
        known.path? && known.holds? ? known.bonded(glue_share) : known
      end

      # Of what a filler bears by the table, over the wood's own strength: what is calculated of both is multiplied by
      # that.
      def glue_share = @glue_mpa / Table["odds"]["spread"]["glue_mpa"][1] / @strength

      def ratio(defect)
        least, most = defect.depth_range_mm
        shares =
          least ? [[least / defect.depth_mm, 1.0].min, 1.0, [most / defect.depth_mm, 1.0].max] : shares_of(defect)
        @draws.triangular("depth #{defect.id}", *shares)
      end

      def shares_of(defect) = Table["odds"]["depth_shares"].fetch(defect.found_by || "guessed")

      def suspected(blank)
        blank.suspects.select { |one| @draws.share("suspect #{one.id}") < Table["odds"]["suspect_share"] }
      end
    end
  end
end
