# frozen_string_literal: true

require_relative "card_helper"
require_relative "rfc5545"

RSpec.describe "A plan of mending", :server do
  include CardHelper

  it "is reckoned for every blank of the demo as the contract has it" do
    (31..42).each do |number|
      ask("POST", "/api/reckon/mend", { document: demo(number) })
      expect(last_response.status).to eq(200), log.string
      plan = answer_as("MendPlan")
      pointed = plan["steps"].flat_map { |step| step["says"] }.filter_map { |advice| advice["figure"] }
      expect(plan["workings"].keys).to include(*pointed) unless pointed.empty?
    end
  end

  it "is kept with its blank, and comes back as it was" do
    kept = demo(35)
    ask("POST", "/api/blanks", { document: kept })
    expect(answer_as("KeptBlank")["document"]["mend"]).to eq(kept["mend"])
  end

  it "refuses a data sheet that cannot be, at its field" do
    {
      { working_min: 0 } => "working_min",
      { density_g_ml: [11, 1] } => "density_g_ml/0",
      { parts: [2, 0] } => "parts/1",
      { peak_c: 19 } => "peak_c"
    }.each do |sheet, field|
      wrong = demo(35)
      wrong["mend"]["steps"][0]["sheet"] = sheet
      ask("POST", "/api/reckon/mend", { document: wrong })
      expect(problem(422)["errors"].map { |one| one["pointer"] }).to include("/document/mend/steps/0/sheet/#{field}")
    end
  end

  it "waits to dry from an earliest to a likely day, on the board as on the rack" do
    ask("POST", "/api/blanks", { document: demo(39) })
    ask("GET", "/api/waits")
    wait = answer_as("Waits")["waits"].first
    earliest, likely = wait.values_at("earliest_at", "likely_at").map { |time| Time.parse(time) }
    expect(earliest).to be_between(clock.now, likely - 86_400)
    expect(wait).to include("card_id" => nil, "unlocks" => "dry_enough")
  end

  describe "as a calendar" do
    it "is read by an independent parser, one event a wait with its alarm, and the day it is due" do
      card = opened(35)
      mark(card, line(card, "cast.line.in_mould"), "started")
      ask("GET", "/api/waits.ics")
      expect(last_response.content_type).to start_with("text/calendar")
      File.write(path = File.join(Dir.mktmpdir, "waits.ics"), last_response.body)
      script = <<~PYTHON
        import sys, json, icalendar
        calendar = icalendar.Calendar.from_ical(open(sys.argv[1], "rb").read())
        print(json.dumps([[str(e["SUMMARY"]), e["DTSTART"].dt.isoformat(), [str(a["ACTION"]) for a in e.walk("VALARM")]] for e in calendar.walk("VEVENT")]))
      PYTHON
      found = JSON.parse(IO.popen(["/usr/bin/python3", "-c", script, path], &:read))
      likely = line(mark(card, lines(card).first), "cast.line.in_mould")["wait"]["likely_at"]
      expect(found).to eq(
        [
          ["No. 35 Six coat-pegs: demould", Time.parse(likely).utc.strftime("%Y-%m-%dT%H:%M:%S+00:00"), ["DISPLAY"]],
          ["No. 35 Six coat-pegs is due", "2030-05-08", []]
        ]
      )
    end

    it "keeps to the grammar of RFC 5545, its alarms at the very time" do
      card = opened(35)
      mark(card, line(card, "cast.line.in_mould"), "started")
      ask("GET", "/api/waits.ics")
      expect(Rfc5545.faults(last_response.body)).to eq([])
      starts, alarms =
        [/^DTSTART:(.*)\r$/, /^TRIGGER;VALUE=DATE-TIME:(.*)\r$/].map do |pattern|
          last_response.body.scan(pattern).flatten
        end
      expect(alarms).to eq(starts)
      expect(alarms).not_to be_empty
    end

    it "is held to that grammar by a check that finds what is wrong" do
      calendar =
        "BEGIN:VCALENDAR\r\nPRODID:x\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20300501T090000Z\r\nDTSTART:20300501T090000Z\r\n" \
          "BEGIN:VALARM\r\nACTION:DISPLAY\r\nDESCRIPTION:d\r\nTRIGGER:-PT5M\r\nEND:VALARM\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n"
      expect(Rfc5545.faults(calendar)).to eq([])
      wrong = {
        "-PT5M" => "P",
        "DESCRIPTION:d" => "DESCRIPTION:a;b",
        "20300501T090000Z\r\nDTSTART" => "20301301T090000Z\r\nDTSTART",
        "\r\nUID:a" => "",
        "ACTION:DISPLAY\r" => "ACTION:DISPLAY",
        "UID:a" => "UID:#{"a" * 80}",
        "DTSTART:20300501T090000Z" => "DTSTART:20300501",
        "DTSTART:" => "DTSTART;VALUE=DATE:"
      }
      wrong.each { |good, bad| expect(Rfc5545.faults(calendar.sub(good, bad))).not_to be_empty, bad }
    end
  end
end
