# frozen_string_literal: true

require_relative "server_helper"

# A card of a demo blank, as a hand at it sees and ticks it.
module CardHelper
  def demo(number) =
    JSON.parse(File.read(Dir[File.join(MossyAnvil::Server::ROOT, "demo", "#{number}-*.anvil.json")].first))
  def key = SecureRandom.uuid

  def opened(number, **changes)
    ask("POST", "/api/blanks", { document: demo(number).merge(changes.transform_keys(&:to_s)) })
    ask("POST", "/api/blanks/#{answer_as("KeptBlank")["id"]}/card", { key: key })
    expect(last_response.status).to eq(201), last_response.body
    answer_as("Card")
  end

  def lines(card) = card["steps"].flat_map { |step| step["lines"] }

  # The first line with that text, by its key under `steps`.
  def line(card, key)
    found = lines(card).find { |one| one["message"]["key"] == "steps.#{key}" }
    found || raise("no line #{key}: #{lines(card).map { |one| one["message"]["key"] }}")
  end

  def mark(card, line, kind = "done", value: nil, key: self.key)
    ask("POST", "/api/cards/#{card["id"]}/marks", { key: key, line: line["key"], kind: kind, value: value }.compact)
    expect(last_response.status).to eq(201), last_response.body
    answer_as("Card")
  end
end
