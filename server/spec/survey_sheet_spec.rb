# frozen_string_literal: true

require "pdf/reader"
require_relative "server_helper"

# Takes down the straight lines of a page, in points, as [[x, y], [x, y]], with the moves of the paper seen to.
class LineReader
  attr_reader :lines, :boxes

  def initialize
    @lines, @boxes, @states, @matrix = [], [], [], [1, 0, 0, 1, 0, 0]
  end

  attr_writer :page

  # What was drawn once and is laid on pages.
  def invoke_xobject(label) = PDF::Reader::FormXObject.new(@page, @page.xobjects[label]).walk(self.class.inside(self))

  # Another that takes down into the same lists, as a drawing within a drawing has a page of its own.
  def self.inside(reader) = reader.dup.tap { |own| own.instance_variable_set(:@states, []) }

  def save_graphics_state = @states.push(@matrix)
  def restore_graphics_state = @matrix = @states.pop
  def begin_new_subpath(x, y) = @from = place(x, y)

  def concatenate_matrix(*by)
    a, b, c, d, e, f = @matrix
    rows = by.each_slice(2).map { |x, y| [(x * a) + (y * c), (x * b) + (y * d)] }
    @matrix = [*rows[0], *rows[1], rows[2][0] + e, rows[2][1] + f]
  end

  def append_line(x, y)
    to = place(x, y)
    @lines << [@from, to]
    @from = to
  end

  def append_rectangle(x, y, wide, tall) = @boxes << [place(x, y), place(x + wide, y + tall)]

  private

  def place(x, y) = [(x * @matrix[0]) + (y * @matrix[2]) + @matrix[4], (x * @matrix[1]) + (y * @matrix[3]) + @matrix[5]]
end

RSpec.describe MossyAnvil::Server::Prints::SurveySheet, :server do
  def mm(points) = points / 72.0 * 25.4
  def lengths(page) =
    LineReader
      .new
      .tap { |reader| page.walk(reader) }
      .lines
      .map { |from, to| mm(Math.hypot(to[0] - from[0], to[1] - from[1])) }

  def sheet(**changes)
    kept = take_in(**changes)
    ask("GET", "/api/blanks/#{kept["id"]}/export?as=sheet")
    expect(last_response.content_type).to eq("application/pdf")
    PDF::Reader.new(StringIO.new(last_response.body))
  end

  let(:found) { [crack(z_mm: [10, 50]), body("void", contents: "air")] }

  it "says what was found on the first page, and has a bar of 100 mm on every one, whichever way it lies" do
    reader = sheet(name: "Łodź bowl", number: 7, defects: found)
    expect(reader.pages.first.text).to include("7 ?od", "bowl", "crack", "pocket")
    expect(reader.pages.map { |page| page.attributes[:MediaBox].map { |side| mm(side).round }.drop(2).sort }).to all(
      eq([210, 297])
    )
    reader.pages.each { |page| expect(lengths(page)).to include(be_within(0.05).of(100)) }
  end

  # By hand: once round 240 mm is 753.98 mm, over pages of 277 mm less 6 of overlap: 3 of them, each hour 62.83 mm from
  # the next.
  it "draws the skin at 1 : 1 over as many pages as it takes" do
    reader = sheet(defects: found)
    skins = reader.pages.select { |page| page.text.include?("Skin of") }
    expect(skins.size).to eq(3)
    drawn = LineReader.new.tap { |lines| skins.first.walk(lines) }
    # The marks of the hours stand 3 mm up; the bar at the foot of the page is left out.
    hours =
      drawn
        .lines
        .select { |from, _| mm(from[1]) > 20 }
        .map { |from, to| [mm(from[0]), mm(to[0] - from[0]), mm((to[1] - from[1]).abs)] }
        .select { |_, across, down| across.abs < 0.01 && (down - 3).abs < 0.01 }
        .map { |x, *| x.round(2) }
        .uniq
        .sort
    expect(hours.each_cons(2).map { |one, next_one| next_one - one }).to all(be_within(0.02).of(62.83))
  end

  it "shows a crack as long as it is" do
    page = sheet(defects: found).pages.find { |one| one.text.include?("Section of") }
    # By hand: 40 mm of run, drawn from the middle of its first piece of 96 to that of its last.
    pieces =
      LineReader
        .new
        .tap { |reader| page.walk(reader) }
        .lines
        .select { |from, to| mm((to[0] - from[0]).abs).between?(0.3, 0.6) && (to[1] - from[1]).abs < 0.01 }
    expect(mm(pieces.flatten(1).map(&:first).minmax.inject { |low, high| high - low })).to be_within(0.05).of(
      40 * 95 / 96.0
    )
    expect(page.text).to include("head", "tail", "b crack")
  end
end

RSpec.describe "A template of the form", :server do
  it "is 1 : 1 on paper: a piece 52 mm high is 52 mm long on the page, and every sheet has a bar of 100 mm" do
    id = take_in(form: BlankHelper::BOWL)["id"]
    ask("GET", "/api/blanks/#{id}/export?as=template")
    expect(last_response.headers["content-disposition"]).to include(".template.pdf")
    reader = PDF::Reader.new(StringIO.new(last_response.body))
    pages = reader.pages.map { |page| LineReader.new.tap { |lines| page.walk(lines) } }
    mm = ->(points) { points / 72 * 25.4 }
    bars =
      pages.map { |page| page.lines.map { |from, to| mm[to[0] - from[0]] }.find { |long| (long - 100).abs <= 0.1 } }
    expect(bars).to all(be_within(0.1).of(100))
    # The axis, 4 mm over at both ends.
    axis =
      pages
        .first
        .lines
        .map { |from, to| [mm[(to[0] - from[0]).abs], mm[(to[1] - from[1]).abs]] }
        .select { |_, down| down < 0.01 }
    expect(axis.map(&:first)).to include(be_within(0.1).of(60))
  end

  it "goes out as a drawing and as a mesh, but not where there is no form" do
    id = take_in(form: BlankHelper::BOWL)["id"]
    { "template_svg" => "image/svg+xml", "stl" => "model/stl" }.each do |format, type|
      ask("GET", "/api/blanks/#{id}/export?as=#{format}")
      expect(last_response.headers["content-type"]).to start_with(type)
    end
    expect(MossyAnvil::Scan::MeshFile.read(last_response.body)).to be_closed
    bare = take_in(name: "Bare")["id"]
    ask("GET", "/api/blanks/#{bare}/export?as=stl")
    problem(404)
  end
end
