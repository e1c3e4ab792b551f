# frozen_string_literal: true

# The catalogue and what uses it: every key that is used has a text, and every text is used.
RSpec.describe "The catalogue" do
  root = File.expand_path("../..", __dir__)
  flat =
    lambda do |node, path = nil|
      next [path] unless node.is_a?(Hash) && (node.keys - %w[one other]).any?

      node.flat_map { |key, child| flat.call(child, [path, key].compact.join(".")) }
    end
  texts = flat.call(YAML.safe_load_file(File.join(root, "core/data/locales/en.yml"))["en"])
  sources =
    Dir[File.join(root, "{core/lib,server}/**/*.rb"), File.join(root, "web/src/**/*.{ts,tsx}")].grep_v(
      /spec|\.test\.|generated|schema\.d/
    )
  code = sources.map { |path| File.read(path) }.join("\n")
  # Parts of keys as they stand in code: "advice.limit", "turn.limit", `tables.mounts.${key}.name` with the changing
  # part as a star.
  quoted = code.scan(/["`]((?:[\w.]|[#$]\{[^}]*\})+)["`]/).flatten.map { |key| key.gsub(/[#$]\{[^}]*\}/, "*") }.uniq
  quoted += code.scan(/%w\[([\w\s]*)\]/).flatten.flat_map(&:split) + code.scan(/\bt\(\s*"([\w.]+)"/).flatten
  words = quoted.grep(/\A[\w*.]+\z/).to_h { |key| [key, true] }

  # Is a key named in full, or by its end, or by a pattern with a changing part?
  used =
    lambda do |key, known|
      parts = key.split(".")
      parts.each_index.any? { |from| known[parts.drop(from).join(".")] } ||
        (
          @patterns ||=
            known
              .keys
              .select { |one| one.include?("*") && one.match?(/\A\w+[\w.]*\./) }
              .map { |one| /(?:\A|\.)#{Regexp.escape(one).gsub('\*', "[^.]*")}\z/ }
        ).any? { |one| one.match?(key) }
    end

  it "has a text for every key that the screens name" do
    named = code.scan(/(?<!Fault\.)\bt\(\s*"([\w.]+)"/).flatten.uniq
    expect(named.size).to be > 500
    expect(named - texts).to eq([])
  end

  it "has a text for everything that can be wrong with what is given" do
    named = code.scan(/\bFault\.t\(\s*"([\w.]+)"/).flatten.uniq
    expect(named.size).to be > 200
    expect(named.map { |key| "faults.#{key}" } - texts).to eq([])
  end

  it "has no text that nobody uses" do
    expect(texts.reject { |key| used.call(key, words) }).to eq([])
  end

  it "would find one" do
    expect(used.call("screen.nowhere.to_be_found", words)).to be(false)
  end
end
