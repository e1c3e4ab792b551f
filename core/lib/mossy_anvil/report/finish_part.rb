# frozen_string_literal: true

module MossyAnvil
  module Report
    # One part of the skin with its papers and its coats.
    class FinishPart
      attr_reader :side, :stuff, :area_cm2, :kind, :family

      # kind: class of stuff; family: of finish; own: what the turner says of it, { coats:, mark_mm: }; bench: what all
      # parts share, see PieceFinish.
      def initialize(own: {}, **about)
        @side, @stuff, @area_cm2, @kind, @family, @bench =
          about.values_at(:side, :stuff, :area_cm2, :kind, :family, :bench)
        @own = own
      end

      def key = "#{side}_#{stuff}"
      def wall_lost_mm = bare? ? 0.0 : search.wall_lost_mm

      def to_h
        {
          key: key,
          side: side,
          area_cm2: area_cm2,
          stuff: stuff,
          mark_mm: mark_mm,
          papers: papers,
          minutes: minutes,
          wall_lost_mm: wall_lost_mm,
          how: how,
          rpm: rpm,
          discs: area_cm2 * wall_lost_mm / 10 / sanding["disc_ml"][wood? ? "wood" : "resin"],
          family: family,
          families: families,
          coats: coats
        }
      end

      # As measured, else as is to be expected: soft wood tears deeper than sound wood does.
      def mark_mm
        return @own[:mark_mm] if @own[:mark_mm]
        return sanding["marks_mm"].fetch(kind) unless wood?

        marks = [@bench[:mark_mm], Table["grits"]["default_mark_mm"]["sound"]]
        soft? ? marks.max : marks.min
      end

      # The papers from a mark of so many mm, a Finish::PaperSearch.
      def sanded_from(mark_mm)
        Finish::PaperSearch.new(
          area_cm2: area_cm2,
          density_kg_m3: @bench[:density_kg_m3],
          mark_mm: mark_mm,
          last: row["last_grit"],
          k: rate,
          ratio: Table["grits"]["step_ratio"][wood? ? "wood" : "resin"],
          coarsest: how == "hand" ? sanding["soft_from"] : nil
        )
      end

      def papers = bare? ? [] : search.papers
      # [least, most] of sanding it.
      def minutes = sanding_shares.map { |share| share * usual_total_min * @bench[:sanding_factor] }

      # How fast it may turn under them; nil where it does not.
      def rpm = %w[turning wet].include?(how) && !@bench[:stopped] ? @bench[:sanding_rpm] : nil

      # Wet where dust or heat forbids it dry, stopped or by hand where nothing may turn against it.
      def how
        return "left" if bare?
        return "hand" if @bench[:stopped] == "soft" && soft?
        return "wet" if !wood? && @bench[:material_kind] != "wood" && @bench[:material_kind] != "hybrid"

        @bench[:stopped] ? "stopped" : "turning"
      end

      def product = @bench[:products].call(family)

      def coats
        times = %w[touch recoat cure].to_h { |kind| [:"#{kind}_h", product.hours(kind, @bench[:temperature_c])] }
        product
          .ml(area_cm2, takes_kg_m3, spongy: soft?, coats: @own[:coats])
          .map { |ml| { family: family, ml: ml, **times } }
      end

      # By the tin or the table alone.
      def usual_recoat_h = product.usual_hours("recoat", @bench[:temperature_c])
      # ml of all its coats by the table alone.
      def usual_ml = product.usual_ml(area_cm2, takes_kg_m3, spongy: soft?, coats: @own[:coats]).sum
      # Minutes by the table alone, in the middle.
      def usual_min = sanding_shares.sum / 2 * usual_total_min

      private

      # That suit its stuff, the one it has first.
      def families =
        [family, *Table.rows("finishes").select { |one| one["suits"].include?(kind) }.map { |one| one["key"] }].uniq

      def sanding = Table["finishes"]["sanding"]
      def row = product.row
      # Nil of stuff that takes nothing in.
      def takes_kg_m3 = wood? ? @bench[:dry_kg_m3] : nil
      def sanding_shares = sanding["minutes"]
      def usual_total_min = bare? ? 0.0 : search.total_min
      # Bark is left as it is.
      def bare? = kind == "bark"
      def wood? = kind == "wood"
      def soft? = stuff == "soft"

      def search = @search ||= sanded_from(mark_mm)

      # ml a minute at P80, as core/data/finishes.yaml has it; wet by hand is of resin already.
      def rate
        k = sanding["k"]
        return k[how] if wood?
        return k["wet"] if how == "wet" && @bench[:stopped]

        k[how == "wet" ? "turning" : how] * sanding["resin"]
      end
    end
  end
end
