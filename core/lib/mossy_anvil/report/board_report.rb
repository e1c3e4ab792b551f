# frozen_string_literal: true

module MossyAnvil
  module Report
    # The work of the whole shop: what can be done now in the time there is, when each piece is done, and what is late
    # and why. Minutes as of Shop::WorkingHours.
    class BoardReport
      # Of what takes longest in a piece, so much is said.
      DECIDING = 2

      # pieces: list of BoardPiece. workers: list of Shop::Worker; none: one that nobody named, by the usual hours.
      # counts: { lathe or key of equipment => how many }. from_min: now; minutes: how long there is; until_min: steps
      # that begin later are not told.
      def initialize(pieces, workers:, counts:, from_min:, **about)
        @pieces = pieces
        @workers = workers.empty? ? [self.class.somebody] : workers
        @counts = { Table["equipment"]["unnamed_lathe"] => 1, **BoardReport.usual_counts, **counts }
        @from_min = from_min
        @minutes = about.fetch(:minutes)
        @until_min = about.fetch(:until_min, Float::INFINITY)
      end

      def self.somebody = Shop::Worker.new(id: nil, hours: Shop::WorkingHours.usual(Table["route"]["hours_a_day"]))
      def self.usual_counts = Table.rows("equipment").to_h { |row| row.values_at("key", "usual") }

      # Plain data: pieces with their steps in place, now with what can be begun.
      def to_h = { pieces: @pieces.map { |piece| plain(piece) }, now: choices.map { |one| choice(one) } }

      private

      def jobs = @jobs ||= @pieces.to_h { |piece| [piece.id, piece.job] }
      def schedule = @schedule ||= Shop::Schedule.new(jobs.values, @workers, @counts, @from_min)
      def choices = Shop::WhatNow.new(jobs.values, @counts, @from_min, @minutes).choices
      def step_of(piece, id) = piece.steps.find { |step| step[:id] == id }

      def forecasts =
        @forecasts ||= jobs.transform_values { |job| Shop::Forecast.new(job, schedule.placed.fetch(job.id)) }

      # Of what stops on its way no day can be given, and none is missed.
      def late_min(piece) = piece.plan[:stopped] ? nil : forecasts.fetch(piece.id).late_min

      def plain(piece)
        forecast = forecasts.fetch(piece.id)
        {
          id: piece.id,
          due_min: piece.due_min,
          finish_min: (forecast.finish_min if piece.plan[:stopped].nil?),
          late_min: late_min(piece),
          decided_by: forecast.shares.first(DECIDING).map { |share| decisive(piece, share) },
          stopped: piece.plan[:stopped] || lacks(piece),
          under_way: piece.under_way,
          left: piece.steps.size,
          steps: steps(piece)
        }
      end

      def steps(piece) =
        schedule.placed.fetch(piece.id).select { |one| one.from_min < @until_min }.map { |one| placed(piece, one) }

      def decisive(piece, share) =
        { **share.to_h, name: step_of(piece, share.step)[:name], held_up_by: share.held_up_by }

      # What the shop has not, of what the next step needs: a message; nil where it has all of it.
      def lacks(piece)
        left = jobs[piece.id].steps[schedule.placed.fetch(piece.id).size] or return
        missing = left.equipment.find { |key| @counts.fetch(key).zero? }
        return Message.of("board.stopped.nobody") unless missing

        Message.of("board.stopped.lacks", what: Table.term("equipment", missing))
      end

      def placed(piece, one)
        {
          id: one.step.id,
          name: step_of(piece, one.step.id)[:name],
          stretch: step_of(piece, one.step.id)[:stretch],
          worker: one.worker,
          parts: one.parts,
          until_min: one.until_min,
          hands_min: one.step.hands_min,
          lathe: one.step.lathe,
          equipment: one.step.equipment,
          held_up_by: one.held_up_by,
          spoilt: one.spoilt?
        }
      end

      def choice(one)
        piece = @pieces.find { |found| found.id == one.job.id }
        steps = one.steps.map { |step| step_of(piece, step.id) }
        {
          id: piece.id,
          steps: steps.map { |step| step.slice(:id, :stretch, :name) },
          hands_min: one.hands_min,
          wait_min: one.wait_min,
          lathe: one.steps.filter_map(&:lathe).first,
          why: why(piece, one)
        }
      end

      def why(piece, one)
        return Message.of("board.why.spoils") if one.steps.first.within_min
        return Message.of("board.why.no_date") if WorkPlan::FIRST.include?(one.steps.first.id)
        return Message.of("board.why.late") if late_min(piece)

        key = piece.due_min ? "waits_due" : "waits"
        return Message.of("board.why.#{key}", wait: [one.wait_min, "min"]) if one.wait_min.positive?

        left = one.job.steps.size - one.steps.size
        left.zero? ? Message.of("board.why.last") : Message.of("board.why.left", steps: Message.count(left))
      end
    end
  end
end
