# frozen_string_literal: true

module MossyAnvil
  module Report
    # One part of the skin with its papers and its coats.
    class FinishPart
      attr_reader :side, :stuff, :area_cm2, :kind, :family

      # kind: class of stuff; family: of finish; bench: what all parts share, see PieceFinish.
      def initialize(side:, stuff:, area_cm2:, kind:, family:, bench:)
        @side, @stuff, @area_cm2, @kind, @family, @bench = side, stuff, area_cm2, kind, family, bench
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

      # Soft wood tears deeper than sound wood does.
      def mark_mm
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
      def minutes
        whole = bare? ? 0.0 : search.total_min
        sanding["minutes"].map { |share| share * whole }
      end

      # How fast it may turn under them; nil where it does not.
      def rpm = %w[turning wet].include?(how) && !@bench[:stopped] ? @bench[:sanding_rpm] : nil

      # Wet where dust or heat forbids it dry, stopped or by hand where nothing may turn against it.
      def how
        return "left" if bare?
        return "hand" if @bench[:stopped] == "soft" && soft?
        return "wet" if !wood? && @bench[:material_kind] != "wood" && @bench[:material_kind] != "hybrid"

        @bench[:stopped] ? "stopped" : "turning"
      end

      def coats
        Finish::Coats
          .ml(family, area_cm2, wood? ? @bench[:dry_kg_m3] : nil, spongy: soft?)
          .map do |ml|
            {
              family: family,
              ml: ml,
              touch_h: Finish::Coats.hours(family, "touch", @bench[:temperature_c]),
              recoat_h: Finish::Coats.hours(family, "recoat", @bench[:temperature_c]),
              cure_h: Finish::Coats.hours(family, "cure", @bench[:temperature_c])
            }
          end
      end

      private

      # That suit its stuff, the one it has first.
      def families =
        [family, *Table.rows("finishes").select { |one| one["suits"].include?(kind) }.map { |one| one["key"] }].uniq

      def sanding = Table["finishes"]["sanding"]
      def row = Finish::Coats.row(family)
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
