# frozen_string_literal: true

# A ledger of 5,000 closed pieces on a running server: opened, and asked by one thing and another.
class LedgerBench
  PIECES, ROUNDS = 5000, 15
  ASKED = {
    "opened" => "",
    "by outcome" => "?outcome=sold",
    "by words" => "?text=bowl",
    "by year" => "?year=#{Time.now.year - 1}"
  }.freeze

  # run: LaunchRun that is ready, on the demo; url: of its database.
  def initialize(run, url)
    @run = run
    @db = Sequel.connect(url)
  end

  def run
    fill
    puts "Ledger, #{@db[:endings].count} pieces"
    ASKED.each { |name, query| Times.say name, Times.spread(times(query)) }
    @db.disconnect
  end

  private

  def times(query) = Times.taken(ROUNDS) { raise "not answered" unless @run.status("/api/ledger#{query}") == "200" }

  # The demo's own pieces over and over, on other days.
  def fill
    endings, blanks = @db[:endings].all, @db[:blanks].as_hash(:id)
    (PIECES - endings.size).times do |turn|
      ending = endings[turn % endings.size]
      id = @db[:blanks].insert(blanks.fetch(ending[:blank_id]).except(:id, :number).then { |row| wrapped(row) })
      day = ending[:ended_on] - (turn / endings.size)
      @db[:endings].insert(ending.merge(blank_id: id, ended_on: day, started_on: nil))
    end
  end

  def wrapped(row) =
    row.transform_values { |value| value.is_a?(Hash) || value.is_a?(Array) ? Sequel.pg_jsonb_wrap(value) : value }
end
