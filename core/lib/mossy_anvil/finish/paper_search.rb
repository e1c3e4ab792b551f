# frozen_string_literal: true

module MossyAnvil
  module Finish
    # The papers that take least time, from a mark to the last grit: first the depth of the mark, then of each next what
    # the scratches of the one before ask for, a third of its grain.
    # Removal, ml a minute: k d50 / 201 um x 600 / density.
    class PaperSearch
      # A mark or a scratch is as deep as three grains of the paper that takes it out.
      MARK_SHARE = 3.0

      # Minutes of each paper in order, and mm it takes.
      Step = Struct.new(:grit, :minutes, :depth_mm)

      # What is sanded and how. last: grit; k: of how it is sanded, see core/data/finishes.yaml; ratio: between the
      # grains of two papers at most, and where none is so near, the next; coarsest: no coarser grit is begun with.
      Job =
        Struct.new(:area_cm2, :density_kg_m3, :mark_mm, :last, :k, :ratio, :coarsest, keyword_init: true) do
          # List of Fault under `at`.
          def faults(grits, at)
            wrong =
              %i[area_cm2 density_kg_m3 mark_mm k].reject { |name| self[name].to_f.finite? && self[name].positive? }
            found = wrong.map { |name| [name, Fault.t("more_than", limit: 0)] }
            found << [:ratio, Fault.t("more_than", limit: 1)] unless ratio.to_f.finite? && ratio > 1
            found << [:last, Fault.t("one_of", list: grits.join(", "))] unless grits.include?(last)
            found.map { |name, allowed| fault("#{at}/#{name}", self[name], allowed) }
          end

          private

          def fault(path, given, allowed) =
            Fault.new(path: path, problem: Fault.t("is", given: Fault.shown(given)), allowed: allowed)

          def more?(value, limit) = value.to_f.finite? && value > limit
        end

      FOUND = Cache.new(60)

      # The search for a job; the same one whenever the same is asked.
      def self.of(**job) = FOUND.of(job) { new(**job) }

      # Takes what a Job has. Raises InvalidInput under `at`.
      def initialize(at: "", **job)
        @job = Job.new(**job)
        faults = @job.faults(sizes.keys, at)
        raise InvalidInput, faults if faults.any?
      end

      # List of Step, first paper first.
      def steps
        @steps ||=
          starts
            .map { |grit| [grit, *onward(grit)] }
            .min_by { |papers| [cost(papers), papers.size] }
            .then { |best| told(best) }
      end

      def papers = steps.map(&:grit)
      def minutes = steps.map(&:minutes)
      def total_min = minutes.sum
      def wall_lost_mm = steps.sum(&:depth_mm)
      def to_h = { papers: papers, minutes: minutes, total_min: total_min }

      # Every sequence that is allowed, for a check.
      def every = starts.flat_map { |grit| sequences(grit) }

      # Minutes of a sequence.
      def cost(papers) = told(papers).sum(&:minutes)

      private

      def sizes = Table["grits"]["median_um"]
      # Grain at least a third of the mark, and no finer than the last; the coarsest or the last where none is.
      def starts
        least_um = @job.mark_mm * 1000 / MARK_SHARE
        fit = sizes.keys.grep((@job.coarsest || 0)..@job.last)
        found = fit.select { |grit| sizes[grit] >= least_um }
        found.empty? ? [fit.min || @job.last] : found
      end

      # Papers that may follow one.
      def after(grit)
        finer = sizes.keys.select { |other| other > grit && other <= @job.last }
        near = finer.select { |other| sizes[grit] / sizes[other].to_f <= @job.ratio + 1e-9 }
        near.empty? ? finer.first(1) : near
      end

      def sequences(grit) =
        grit == @job.last ? [[grit]] : after(grit).flat_map { |other| sequences(other).map { |rest| [grit, *rest] } }

      # The quickest way on from a paper; each is looked at once.
      def onward(grit)
        (@onward ||= {})[grit] ||= if grit == @job.last
          []
        else
          after(grit)
            .map { |other| [other, *onward(other)] }
            .min_by do |rest|
              [[grit, *rest].each_cons(2).sum { |one, two| minutes_of(two, scratch_mm(one)) }, rest.size]
            end
        end
      end

      def told(papers)
        papers.each_with_index.map do |grit, at|
          depth = at.zero? ? @job.mark_mm : scratch_mm(papers[at - 1])
          Step.new(grit, minutes_of(grit, depth), depth)
        end
      end

      def scratch_mm(grit) = sizes[grit] / 1000.0 / MARK_SHARE

      def minutes_of(grit, depth_mm)
        row = Table["finishes"]["sanding"]["at"]
        rate = @job.k * sizes[grit] / row["median_um"] * row["density_kg_m3"] / @job.density_kg_m3
        @job.area_cm2 * depth_mm / 10 / rate
      end
    end
  end
end
