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

      attr_reader :setting,
                  :at,
                  :rpm,
                  :regions,
                  :taken,
                  :outline,
                  :situation,
                  :minutes,
                  :waited_days,
                  :spent,
                  :events,
                  :signs,
                  :found,
                  :ended,
                  :acts,
                  :region

      # setting: Setting.
      def initialize(setting)
        @setting = setting
        @at = @acts = 0
        @rpm = @minutes = @waited_days = @spent = 0.0
        @events, @signs, @found, @grown_mm = [], [], [], Hash.new(0.0)
        @situation = Setting::AS_PLANNED
        first = setting.plan.steps.find { |step| step.stages.any? }
        @outline =
          Outline.new(
            blank.shape,
            blank.form,
            first ? first.stages.first : :hollowed,
            Solid::Stage.round_radius_mm(blank)
          )
        begin_step
      end

      # Plays acts one after another; itself. Raises InvalidInput under `at` for what cannot be done.
      def play(acts, at: "")
        acts.each_with_index { |act, index| play_one(act, "#{at}/#{index}") }
        self
      end

      # The same of one act, which stands at that place.
      def play_one(act, path)
        refuse("#{path}/act", "ended") if ended
        refuse("#{path}/act", "no_such_act", ACTS.join(", ")) unless ACTS.include?(act["act"])
        refuse("#{path}/act", "still_turns") if STANDING.include?(act["act"]) && rpm.positive?
        @path = path
        @acts += 1
        @shares = nil
        send(:"to_#{act["act"]}", act)
        note_signs
        self
      end

      def blank = setting.blank
      def step = setting.plan.steps[@at]
      def met = setting.met(step, situation)
      def stage = @cut_into ? step.stages.last : step.stages.first
      def hazards = Hazards.new(met, rpm)
      def grown_mm = @grown_mm.select { |_, mm| mm.positive? }
      # Shares of what ends it, as fast as it turns and as hard as it was cut last.
      def shares = @shares ||= { **(rpm.positive? ? grown(hazards.speed_shares) : {}), **(@pushed || {}) }

      private

      def refuse(path, key, allowed = nil) =
        raise(InvalidInput, [Fault.new(path: path, problem: Fault.t("rehearsal.#{key}"), allowed: allowed)])

      def begin_step
        @pushed = nil
        @cut_into = false
        return @regions = @taken = [] unless step

        @regions = setting.regions(step)
        @taken = regions.map { 0.0 }
        @region = 0
      end

      def to_speed(act)
        rpm = number(act, "rpm", 0.0..Float::INFINITY)
        fastest = blank.lathe&.max_rpm || Table["rehearsal"]["unsaid_most_rpm"]
        refuse("#{@path}/rpm", "faster_than_the_lathe", fastest.to_s) if rpm > fastest
        refuse("#{@path}/rpm", "nothing_on_the_lathe") if rpm.positive? && step.stages.empty? && !step.rpm.positive?
        @rpm = rpm.to_f
        @pushed = nil
        @shares = nil
        happen(hazards.passed(shares))
        grow unless ended
      end

      def to_cut(act)
        refuse("#{@path}/act", "stands_still") unless rpm.positive?
        @region = number(act, "region", 0..(regions.size - 1))
        tool = act.fetch("tool", regions[region][:tool])
        refuse("#{@path}/tool", "not_safe_there", offered(region).join(", ")) unless offered(region).include?(tool)
        share = number(act, "share", taken[region]..1.0, usual: 1.0)
        times = Table["rehearsal"]["chips"].fetch(act.fetch("chip", "planned"))
        Cut.new(self, regions[region]).then { |cut| take(cut, share, cut.push(tool, times), times) }
      end

      def take(cut, share, push, times)
        @minutes += cut.minutes * (share - taken[region]) * (step.rpm / rpm) / times
        before, taken[region] = taken[region], share
        @cut_into = true
        @shares = nil
        @pushed = hazards.cut_shares(push: push, wall_use: cut.wall_use(push))
        outline.cut(regions[region], share)
        happen(hazards.passed(shares))
        happen(cut.met_within(met, before, share).map { |kind, body| hazards.public_send(kind, body) })
      end

      def to_wall(act)
        refuse("#{@path}/act", "no_wall_to_leave") unless setting.wall_mm
        wall_mm = number(act, "wall_mm", 0.5..200.0).to_f
        refuse("#{@path}/wall_mm", "no_hollow_left") unless setting.form_with(wall_mm)
        @situation = Setting::Situation.new(situation.mended, wall_mm)
      end

      def to_look(_act)
        @minutes += Table["rehearsal"]["minutes"]["look"]
        @found << { act: acts, kind: "look", seen: look.map(&:to_document), grown: grown_mm.dup }
      end

      def to_tap(act) = test("tap", act) { |tests| tests.tap(*place(act)) }
      def to_awl(act) = test("awl", act) { |tests| tests.awl(*place(act)) }
      def to_feel(act) = test("feel", act) { |tests| tests.feel(act["of"]) }
      def to_pry(act) = test("pry", act) { |tests| tests.pry(act["of"]) }

      def test(kind, act)
        told = yield(HandTests.new(left_in, ->(_, z_mm) { outline.skin_mm(z_mm) }))
        refuse("#{@path}/of", "no_such_defect") unless told
        @minutes += Table["rehearsal"]["minutes"][kind]
        @found << { act: acts, kind: kind, **act.slice("of", "clock_deg", "z_mm").transform_keys(&:to_sym), **told }
      end

      def place(act) = [number(act, "clock_deg", 0..360), number(act, "z_mm", 0..blank.shape.length_mm)]

      def to_mend(act)
        id = act["of"]
        refuse("#{@path}/of", "no_such_defect") unless left_in.any? { |defect| defect.id == id }
        row = Table["rehearsal"]["mend"]
        @minutes += Table["rehearsal"]["minutes"]["mend"]
        @waited_days += row["days"]
        @spent += row["cost"]
        @grown_mm.delete(id)
        @situation = Setting::Situation.new([*situation.mended, id].freeze, situation.wall_mm)
      end

      def to_go_on(_act)
        refuse("#{@path}/act", "not_all_is_cut") unless taken.all? { |share| share >= 1 }
        happen(hazards.within + hazards.while_waiting)
        return if ended

        @minutes += step.hands_min - regions.sum { |one| Cut.new(self, one).minutes }
        @waited_days += setting.tally.wait_days(step).to_f
        @spent += step.cost
        @rpm = 0.0
        @at += 1
        @ended = Ending.new(nil, nil, []) unless step
        begin_step
      end

      # What a step comes to once only; the first that ends it is the last.
      def happen(list)
        list.each do |event|
          next if ended || known?(event)

          @events << event
          @minutes += event.row["adds_min"].to_f
          @waited_days += event.row["adds_days"].to_f
          @spent += event.row["adds_cost"].to_f
          @ended = Ending.new(event, rpm, before(event)) if event.lost? || injures?(event)
        end
      end

      # What has flown off, been struck or been opened once is gone; the rest happens once a step.
      def known?(event)
        return true if event.of && situation.mended.include?(event.of)

        events.any? { |one| event.of ? one.of == event.of : [one.step, one.key] == [event.step, event.key] }
      end

      def injures?(event) = event.energy_j >= Table["odds"]["injury"]["at_face_j"]
      def before(event) = signs.select { |sign| sign[:warns_of] == event.key }

      # A crack that is run near its limit is longer at the next stop, and goes the sooner: the stress at its tip goes
      # with the root of its depth and the square of the speed.
      def grow
        row = Table["rehearsal"]["signs"]
        share = shares[["crack_runs", nil]]
        return unless share&.between?(row["clear_from"], 1.0)

        crack =
          setting.true_defects.select { |one| one.path? && one.parts? }.max_by { |one| setting.truth.depth_mm(one) }
        @grown_mm[crack.id] += row["growth_of_depth"] * crack.depth_mm if crack
      end

      def grown(shares)
        worst = setting.true_defects.filter_map { |one| grown_mm[one.id]&.then { |mm| 1 + (mm / one.depth_mm) } }.max
        return shares if worst.nil? || !shares.key?(["crack_runs", nil])

        shares.merge(["crack_runs", nil] => shares[["crack_runs", nil]] * (worst**0.25))
      end

      # Keeps what could be noticed now, for who asks later what was there before it.
      def note_signs
        Perceived.new(self).signs.each { |sign| @signs << { act: acts, step: step&.id, rpm: rpm, **sign } } unless ended
      end

      def left_in
        gone = events.filter_map(&:of) + situation.mended
        setting.true_defects.reject { |defect| gone.include?(defect.id) }
      end

      # Bodies that the skin as it is now runs through.
      def look
        left_in
          .reject(&:path?)
          .select { |body| (outline.skin_mm(body.z_mm) - body.radius_mm).abs <= body.size_mm[0] / 2 }
      end

      def offered(index) = regions[index].values_at(:tool, :second, :finish_tool).compact.uniq

      def number(act, name, range, usual: nil)
        value = act.fetch(name, usual)
        return value if value.is_a?(Numeric) && range.cover?(value)

        raise InvalidInput,
              [
                Fault.new(
                  path: "#{@path}/#{name}",
                  problem: value.nil? ? Fault.t("is_missing") : Fault.t("is", given: Fault.shown(value)),
                  allowed: Fault.t("a_number_from_to", low: range.begin, high: range.end)
                )
              ]
      end
    end
  end
end
