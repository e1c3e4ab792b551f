# frozen_string_literal: true

require_relative "support/layers"

# An arrow between two files may only go down the layers, and never round in a circle.
RSpec.describe "The architecture" do
  root = File.expand_path("..", __dir__)
  core = [
    %w[rehearsal],
    %w[report],
    %w[shop],
    %w[route],
    %w[formats scan],
    %w[placing],
    %w[mend turn finish],
    %w[solid],
    %w[model],
    [""]
  ]
  # app.rb stands for the routes, and all that is no folder's own for the ground the others stand on.
  server = [
    %w[process],
    %w[routes],
    %w[routes/shared],
    %w[http],
    %w[calculation],
    %w[jobs],
    %w[live],
    %w[instruments],
    %w[services],
    %w[prints],
    %w[store],
    [""]
  ]

  it "holds in the core" do
    layers = Layers.new(File.join(root, "core/lib/mossy_anvil"), core)
    expect(layers.strangers).to eq([])
    expect(layers.upward).to eq([])
    expect(layers.cycles).to eq([])
  end

  it "holds in the server" do
    layers = Layers.new(File.join(root, "server"), [["entry"], ["migrations"], ["spec"], *server])
    expect(layers.strangers).to eq([])
    expect(layers.upward.reject { |line| line.start_with?("app.rb:") }).to eq([])
    expect(layers.cycles).to eq([])
  end

  it "lets the core know nothing of the server" do
    known =
      Dir[File.join(root, "core/lib/**/*.rb")].select { |path| File.read(path).match?(/\bServer\b|Sequel|Sinatra/) }
    expect(known).to eq([])
  end

  it "finds an arrow that goes up, one to a neighbour, and a circle, by file and line" do
    layers = Layers.new(File.join(__dir__, "fixtures/layers"), [%w[report], %w[mend turn], %w[model]])
    expect(layers.upward).to contain_exactly(
      "model/blank.rb:7 refers up to Report::Answer (report/answer.rb)",
      "turn/cut.rb:7 refers up to Mend::Glue (mend/glue.rb)"
    )
    expect(layers.cycles).to contain_exactly(%w[model/egg.rb model/hen.rb], %w[model/blank.rb report/answer.rb])
  end
end
