# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # A piece on the screen lathe: each act of the turner's is answered by the truth, with the limits of the plan's own
    # rules. Where it stands follows from the setting and the acts alone.
    #
    # An act is plain data with string keys: { "act" => one of ACTS, ... }: speed ("rpm", 0 for off), cut ("region",
    # "share" of it that is then taken, "tool", "chip"), wall ("wall_mm" to leave), look, tap and awl ("clock_deg",
    # "z_mm"), feel, pry and mend ("of", id), go_on (the step is done: its waits pass).
    class ScreenLathe
      ACTS = %w[speed cut wall look tap awl feel pry mend go_on].freeze
      STANDING = %w[look tap awl feel pry mend].freeze

      # at: index of the step; taken: share of each of its regions; acts: how many were done.
      attr_reader :setting, :at, :rpm, :regions, :taken, :region, :outline, :situation, :acts, :record

      # setting: Setting.
      def initialize(setting)
        @setting = setting
        @record = RehearsalRecord.new
        @at = @acts = 0
        @rpm = 0.0
        @grown_mm = Hash.new(0.0)
        @situation = Setting::AS_PLANNED
        first = setting.plan.steps.find { |step| step.stages.any? }
        stage = first ? first.stages.first : :hollowed
        @outline = Outline.new(blank.shape, blank.form, stage, Solid::Stage.round_radius_mm(blank))
        begin_step
      end

      # Plays acts one after another; itself. Raises InvalidInput under `at` for what cannot be done.
      def play(acts, at: "")
        acts.each_with_index { |act, index| play_one(act, "#{at}/#{index}") }
        self
      end

      # The same of one act, which stands at that place.
      def play_one(data, path)
        act = Act.new(data, path)
        act.refuse("act", "ended") if ended
        act.refuse("act", "no_such_act", ACTS.join(", ")) unless ACTS.include?(act.kind)
        act.refuse("act", "still_turns") if STANDING.include?(act.kind) && rpm.positive?
        @acts += 1
        @shares = nil
        send(:"to_#{act.kind}", act)
        note_signs unless ended
        self
      end

      def events = record.events
      def signs = record.signs
      def found = record.found
      def ended = record.ended
      def blank = setting.blank
      def step = setting.plan.steps[@at]
      def met = setting.met(step, situation)
      def stage = @cut_into ? step.stages.last : step.stages.first
      # mm by which cracks have grown, by id.
      def grown_mm = @grown_mm.select { |_, mm| mm.positive? }
      # Shares of what ends it, as fast as it turns and as hard as it was cut last.
      def shares = @shares ||= { **(rpm.positive? ? grown(hazards.speed_shares) : {}), **(@pushed || {}) }

      private

      def hazards = Hazards.new(met, rpm)
      def happen(events) = record.happen(events, rpm: rpm, gone: situation.mended)
      def note_signs =
        Perceived.new(self).signs.each { |sign| signs << { act: acts, step: step&.id, rpm: rpm, **sign } }

      def begin_step
        @pushed = nil
        @cut_into = false
        @region = step && 0
        @regions = step ? setting.regions(step) : []
        @taken = regions.map { 0.0 }
      end

      def to_speed(act)
        wanted = act.number("rpm", 0.0..Float::INFINITY)
        fastest = blank.lathe&.max_rpm || Table["rehearsal"]["unsaid_most_rpm"]
        act.refuse("rpm", "faster_than_the_lathe", fastest.to_s) if wanted > fastest
        act.refuse("rpm", "nothing_on_the_lathe") if wanted.positive? && step.stages.empty? && !step.rpm.positive?
        @rpm = wanted.to_f
        @pushed = nil
        happen(hazards.passed(shares))
        grow unless ended
      end

      def to_cut(act)
        act.refuse("act", "stands_still") unless rpm.positive?
        @region = act.number("region", 0..(regions.size - 1))
        tool, share, times = tool_of(act), act.number("share", taken[region]..1.0, usual: 1.0), chip_of(act)
        before, taken[region] = taken[region], share
        take(Cut.new(self, regions[region]), tool, times, before)
      end

      # What a cut comes to, from a share of its region that was taken before.
      def take(cut, tool, times, before)
        record.take(minutes: cut.minutes * (taken[region] - before) * slower / times)
        pushed(cut, cut.push(tool, times))
        outline.cut(regions[region], taken[region])
        happen(hazards.passed(shares))
        meet(cut, before)
      end

      # So many times as long as at the speed of the plan.
      def slower = step.rpm / rpm

      def meet(cut, before)
        bodies = cut.met_within(met, before, taken[region])
        happen(bodies.map { |kind, body| hazards.public_send(kind, body) })
      end

      def tool_of(act)
        tool = act.fetch("tool", regions[region][:tool])
        offered.include?(tool) ? tool : act.refuse("tool", "not_safe_there", offered.join(", "))
      end

      # So many times the chip that is planned.
      def chip_of(act)
        chips = Table["rehearsal"]["chips"]
        chips[act.fetch("chip", "planned")] || act.refuse("chip", "no_such_chip", chips.keys.join(", "))
      end

      def pushed(cut, push)
        @cut_into = true
        @pushed = hazards.cut_shares(push: push, wall_use: cut.wall_use(push))
        @shares = nil
      end

      def offered = regions[region].values_at(:tool, :second, :finish_tool).compact.uniq

      def to_wall(act)
        act.refuse("act", "no_wall_to_leave") unless setting.wall_mm
        wall_mm = act.number("wall_mm", 0.5..200.0).to_f
        act.refuse("wall_mm", "no_hollow_left") unless setting.form_with(wall_mm)
        @situation = Setting::Situation.new(situation.mended, wall_mm)
      end

      def to_look(_act)
        record.take(minutes: Table["rehearsal"]["minutes"]["look"])
        seen = left_in.reject(&:path?).select { |body| outline.through?(body) }
        found << { act: acts, kind: "look", seen: seen.map(&:to_document), grown: grown_mm }
      end

      def to_tap(act) = test(act) { |tests| tests.tap(*spot(act)) }
      def to_awl(act) = test(act) { |tests| tests.awl(*spot(act)) }
      def to_feel(act) = test(act) { |tests| tests.feel(act.of) }
      def to_pry(act) = test(act) { |tests| tests.pry(act.of) }

      def spot(act) = [act.number("clock_deg", 0..360), act.number("z_mm", 0..blank.shape.length_mm)]

      def test(act)
        told = yield(HandTests.new(left_in, ->(_, z_mm) { outline.skin_mm(z_mm) }))
        act.refuse("of", "no_such_defect") unless told
        record.take(minutes: Table["rehearsal"]["minutes"][act.kind])
        found << { act: acts, kind: act.kind, **act.place, **told }
      end

      def to_mend(act)
        act.refuse("of", "no_such_defect") unless left_in.any? { |defect| defect.id == act.of }
        row = Table["rehearsal"]
        record.take(minutes: row["minutes"]["mend"], days: row["mend"]["days"], cost: row["mend"]["cost"])
        @grown_mm.delete(act.of)
        @situation = Setting::Situation.new([*situation.mended, act.of].freeze, situation.wall_mm)
      end

      def to_go_on(act)
        act.refuse("act", "not_all_is_cut") unless taken.all? { |share| share >= 1 }
        happen(hazards.within + hazards.while_waiting)
        return if ended

        record.take(minutes: beside_cuts_min, days: setting.tally.wait_days(step).to_f, cost: step.cost)
        @rpm = 0.0
        @at += 1
        record.finish unless step
        begin_step
      end

      def beside_cuts_min = step.hands_min - regions.sum { |one| Cut.new(self, one).minutes }

      # A crack that is run near its limit is longer at the next stop, and goes the sooner: the stress at its tip goes
      # with the root of its depth and the square of the speed.
      def grow
        row = Table["rehearsal"]["signs"]
        share = shares[["crack_runs", nil]]
        return unless share&.between?(row["clear_from"], 1.0)

        crack = left_in.select { |one| one.path? && one.parts? }.max_by(&:depth_mm)
        @grown_mm[crack.id] += row["growth_of_depth"] * crack.depth_mm if crack
      end

      def grown(shares)
        worst = left_in.filter_map { |one| grown_mm[one.id]&.then { |mm| 1 + (mm / one.depth_mm) } }.max
        return shares if worst.nil? || !shares.key?(["crack_runs", nil])

        shares.merge(["crack_runs", nil] => shares[["crack_runs", nil]] * (worst**0.25))
      end

      # Everything that is truly in it and not gone.
      def left_in
        gone = events.filter_map(&:of) + situation.mended
        setting.true_defects.reject { |defect| gone.include?(defect.id) }
      end
    end
  end
end
