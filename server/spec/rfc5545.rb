# frozen_string_literal: true

# A calendar file held against the grammar of RFC 5545, as far as a feed of events with alarms goes: lines and folding
# (3.1), parameters, what each component may and must hold (3.6), and the form of every value (3.3). Strict where a
# lenient parser would let things pass.
class Rfc5545
  LINE =
    /\A(?<name>[A-Za-z0-9-]+)(?<params>(?:;[A-Za-z0-9-]+=(?:"[^"\x00-\x1f\x7f]*"|[^";:,\x00-\x1f\x7f]*))*):(?<value>.*)\z/
  DATE_TIME = /\A\d{4}(0[1-9]|1[0-2])(0[1-9]|[12]\d|3[01])T([01]\d|2[0-3])[0-5]\d([0-5]\d|60)Z\z/
  DATE = /\A\d{4}(0[1-9]|1[0-2])(0[1-9]|[12]\d|3[01])\z/
  TIME = /T(\d+H(\d+M(\d+S)?)?|\d+M(\d+S)?|\d+S)/
  DURATION = /\A[+-]?P(\d+D(#{TIME})?|#{TIME}|\d+W)\z/
  TEXT = /\A([^\\;,\x00-\x08\x0a-\x1f\x7f]|\\[\\;,Nn])*\z/
  PLAIN = %r{\A[A-Za-z0-9. /@-]+\z}

  # What each component must hold once, and what it may hold once beside that; and the components it may hold.
  COMPONENTS = {
    "VCALENDAR" => [%w[PRODID VERSION], %w[CALSCALE METHOD X-WR-CALNAME], %w[VEVENT]],
    "VEVENT" => [%w[UID DTSTAMP DTSTART], %w[DTEND SUMMARY DESCRIPTION], %w[VALARM]],
    "VALARM" => [%w[ACTION TRIGGER DESCRIPTION], [], []]
  }.freeze
  VALUES = {
    "PRODID" => TEXT,
    "VERSION" => /\A2\.0\z/,
    "CALSCALE" => /\AGREGORIAN\z/,
    "METHOD" => PLAIN,
    "X-WR-CALNAME" => TEXT,
    "UID" => PLAIN,
    "DTSTAMP" => DATE_TIME,
    "DTSTART" => DATE_TIME,
    "DTEND" => DATE_TIME,
    "SUMMARY" => TEXT,
    "DESCRIPTION" => TEXT,
    "ACTION" => /\ADISPLAY\z/
  }.freeze

  # List of faults, empty where the text keeps to the grammar.
  def self.faults(text) = new(text).faults

  def initialize(text)
    @text = text.dup.force_encoding(Encoding::UTF_8)
    @faults = []
  end

  def faults
    @faults << "is not UTF-8" unless @text.valid_encoding?
    @faults << "a line that does not end in CR LF" if @text.match?(/(?<!\r)\n|\r(?!\n)/) || !@text.end_with?("\r\n")
    lines = @text.split("\r\n")
    lines.each { |line| @faults << "over 75 octets: #{line}" if line.bytesize > 75 }
    component(lines.join("\r\n").gsub(/\r\n[ \t]/, "").split("\r\n"), [])
    @faults
  end

  private

  # Eats lines up to the end of the file, keeping the components that are open.
  def component(lines, open)
    lines.each do |line|
      found = LINE.match(line) or next @faults << "no content line: #{line}"
      case found[:name]
      when "BEGIN"
        open << begun(found[:value], open.last)
      when "END"
        ended(open.pop, found[:value])
      else
        property(found, open.last)
      end
    end
    @faults << "not closed: #{open.map(&:first).join(", ")}" if open.any?
  end

  def begun(name, parent)
    unless parent ? COMPONENTS.fetch(parent[0], [[], [], []])[2].include?(name) : name == "VCALENDAR"
      @faults << "#{name} does not belong there"
    end
    [name, []]
  end

  def ended((name, held), ending)
    return @faults << "END:#{ending} closes nothing of that name" unless name == ending

    must, may, = COMPONENTS.fetch(name, [[], [], []])
    (must - held).each { |missing| @faults << "#{name} without #{missing}" }
    (held - must - may).each { |extra| @faults << "#{extra} does not belong in #{name}" }
    held.tally.each { |property, times| @faults << "#{property} #{times} times in #{name}" if times > 1 }
  end

  def property(found, (_, held))
    name, value = found[:name], found[:value]
    held << name
    return if name == "TRIGGER" ? trigger?(found[:params], value) : form_of(name, found[:params]).match?(value)
    @faults << "#{name} is #{value}"
  end

  # A time, or a day where it says that it is one.
  def form_of(name, params)
    %w[DTSTART DTEND].include?(name) && params == ";VALUE=DATE" ? DATE : VALUES.fetch(name, TEXT)
  end

  # A duration unless it says that it is a time, which must then be UTC.
  def trigger?(params, value) = params.include?("VALUE=DATE-TIME") ? DATE_TIME.match?(value) : DURATION.match?(value)
end
