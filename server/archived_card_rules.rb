# frozen_string_literal: true

module Loft
  # What must hold of an open card that comes in with an archive, so that it can be worked on here.
  class ArchivedCardRules
    # card: string-keyed, fits the contract.
    def initialize(card)
      @card = card
      @faults = []
    end

    # Raises InvalidInput.
    def check
      check_steps
      check_lines
      check_marks
      @card["waits"].each_with_index { |wait, index| check_wait(wait, "/waits/#{index}") }
      time("/started_at", @card["started_at"])
      raise MossyAnvil::InvalidInput, @faults.first(MossyAnvil::BlankFile::MAX_FAULTS) if @faults.any?
    end

    private

    def fault(path, problem, allowed) = @faults << MossyAnvil::Fault.new(path: path, problem: problem, allowed: allowed)

    def check_steps
      planned = (@card["document"].dig("mend", "steps") || []).to_h { |step| [step["id"], step["do"]] }
      @card["steps"].each_with_index do |step, index|
        next if planned[step["id"]] == step["do"]

        fault("/steps/#{index}/id", "is #{MossyAnvil::SchemaFault.shown(step['id'])}", "a step of the plan in its document")
      end
    end

    # Every line has a key of its own; those that came of a mark too.
    def check_lines
      seen = {}
      each_line do |line, path|
        fault("#{path}/key", "is used twice (#{line['key']})", "each line its own") if seen[line["key"]]
        seen[line["key"]] = true
      end
      @keys = seen
    end

    def each_line(&)
      @card["steps"].each_with_index { |step, place| step["lines"].each_with_index { |line, index| yield line, "/steps/#{place}/lines/#{index}" } }
      @card["marks"].each_with_index do |mark, place|
        (mark.dig("found", "lines") || []).each_with_index { |line, index| yield line, "/marks/#{place}/found/lines/#{index}" }
      end
    end

    def check_marks
      keys, dones = {}, {}
      @card["marks"].each_with_index do |mark, index|
        path = "/marks/#{index}"
        fault("#{path}/line", "is #{MossyAnvil::SchemaFault.shown(mark['line'])}", "a line of this card") unless @keys[mark["line"]]
        fault("#{path}/key", "is used twice", "each mark its own") if keys[mark["key"]]
        once = mark.values_at("line", "kind", "turn")
        fault(path, "is there twice", "each line done once in a turn") if dones[once] && !%w[trouble seen].include?(mark["kind"])
        keys[mark["key"]] = dones[once] = true
        time("#{path}/marked_at", mark["marked_at"])
      end
      lines_come_of_others
    end

    # A line that came of a mark belongs to a line that was there before it: followed back, it comes to a step.
    def lines_come_of_others
      reached = @card["steps"].flat_map { |step| step["lines"].map { |line| line["key"] } }
      known = reached.to_h { |key| [key, true] }
      grown = @card["marks"].group_by { |mark| mark["line"] }.transform_values { |marks| marks.flat_map { |mark| (mark.dig("found", "lines") || []).map { |line| line["key"] } } }
      while (key = reached.shift)
        fresh = (grown[key] || []).reject { |line| known[line] }
        fresh.each { |line| known[line] = true }
        reached.concat(fresh)
      end
      astray = @keys.keys.reject { |line| known[line] }
      fault("/marks", "hold lines that came of no line of this card (#{astray.first(3).join(', ')})", "lines that came of its own") if astray.any?
    end

    def check_wait(wait, path)
      fault("#{path}/line", "is #{MossyAnvil::SchemaFault.shown(wait['line'])}", "a line of this card") unless @keys[wait["line"]]
      started, earliest, likely, ended = %w[started_at earliest_at likely_at ended_at].map { |name| wait[name] && time("#{path}/#{name}", wait[name]) }
      return unless started && earliest && likely

      fault("#{path}/earliest_at", "is before it starts", "#{wait['started_at']} or later") if earliest < started
      fault("#{path}/likely_at", "is before the earliest", "#{wait['earliest_at']} or later") if likely < earliest
      fault("#{path}/ended_at", "is before it starts", "#{wait['started_at']} or later") if ended && ended < started
    end

    # A Time, or nil and a fault where no calendar has it.
    def time(path, text)
      Time.iso8601(text).tap { |time| fault(path, "is #{text}", "a time from the year 1 on") && (return nil) unless time.year.between?(1, 9999) }
    rescue ArgumentError
      fault(path, "is #{text[0, 40]}", "a time there is")
      nil
    end
  end
end
