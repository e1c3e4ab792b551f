# frozen_string_literal: true

require "vips"
require_relative "server_helper"

RSpec.describe "Photographs of a blank", :server do
  # A made-up picture: a brown round on white; as a camera would send it, with things said in it and held on its side
  # where asked.
  def picture(wide: 60, tall: 40, ending: ".jpg", said: {})
    image = Vips::Image.black(wide, tall, bands: 3) + [150, 100, 60]
    image
      .copy(interpretation: :srgb)
      .cast(:uchar)
      .mutate { |open| said.each { |name, (type, value)| open.set_type!(type, name, value) } }
      .write_to_buffer(ending)
  end

  def send_picture(id, bytes, type: "image/jpeg", view: "tail_face") =
    ask("POST", "/api/blanks/#{id}/photographs?view=#{view}", bytes, type: type)

  let(:id) { take_in["id"] }

  it "are kept once, listed, shown, spoken of, put out of sight and brought back" do
    2.times { send_picture(id, picture) }
    kept = answer_as("Photograph")
    expect(kept).to include(
      "width_px" => 60,
      "height_px" => 40,
      "view" => "tail_face",
      "scale" => nil,
      "hidden" => false
    )
    about = {
      view: "head_face",
      caption: "the end with the check",
      hidden: true,
      scale: {
        mm_per_share: 300,
        centre: [0.5, 0.3]
      }
    }
    ask("PUT", "/api/blanks/#{id}/photographs/#{kept["id"]}", about)
    expect(answer_as("Photograph")).to include(JSON.parse(JSON.generate(about)))
    ask("GET", "/api/blanks/#{id}/photographs")
    expect(answer_as("Photographs")["photographs"].map { |one| one["id"] }).to eq([kept["id"]])
    ask("GET", "/api/blanks/#{id}/photographs/#{kept["id"]}/image")
    expect(last_response.headers).to include(
      "content-type" => "image/jpeg",
      "cache-control" => a_string_including("immutable")
    )
    expect(Vips::Image.new_from_buffer(last_response.body, "").size).to eq([60, 40])
  end

  it "lose what the camera wrote into them, and are turned the way they were held" do
    told = {
      "orientation" => [GObject::GINT_TYPE, 6],
      "exif-ifd3-GPSLatitude" => [GObject::GSTR_TYPE, "54/1 30/1 0/1"]
    }
    sent = picture(said: told)
    expect(Vips::Image.new_from_buffer(sent, "").get_fields.grep(/GPS|orientation/)).not_to be_empty
    send_picture(id, sent)
    expect(answer_as("Photograph")).to include("width_px" => 40, "height_px" => 60)
    ask("GET", "/api/blanks/#{id}/photographs/#{answer["id"]}/image")
    expect(Vips::Image.new_from_buffer(last_response.body, "").get_fields.grep(/\Aexif|gps/i)).to eq([])
  end

  it "are refused where they come in passes and are too large to be held whole, while reading them in one goes" do
    large = (Vips::Image.black(5000, 4000, bands: 3) + 90).cast(:ushort).copy(interpretation: :rgb16)
    send_picture(id, large.write_to_buffer(".png", interlace: true, compression: 1), type: "image/png")
    expect(problem(422)["errors"].first["detail"]).to include("comes in passes")
    send_picture(id, large.write_to_buffer(".png", compression: 1), type: "image/png")
    expect(answer_as("Photograph")).to include("width_px" => 2400)
  end

  it "are made smaller where they are large, and a picture with holes in it gets paper behind" do
    send_picture(id, picture(wide: 3000, tall: 1500, ending: ".png"), type: "image/png")
    expect(answer_as("Photograph")).to include("width_px" => 2400, "height_px" => 1200)
    clear = (Vips::Image.black(20, 20, bands: 4) + 0).cast(:uchar).copy(interpretation: :srgb).write_to_buffer(".png")
    send_picture(id, clear, type: "image/png")
    ask("GET", "/api/blanks/#{id}/photographs/#{answer["id"]}/image")
    expect(Vips::Image.new_from_buffer(last_response.body, "").avg).to be > 250
  end

  it "are refused where they are none, too large, of no blank, or one too many, and nothing is kept" do
    cut_short = Vips::Image.gaussnoise(300, 300).cast(:uchar).write_to_buffer(".jpg")[0...-9000]
    ["", "GIF89a", "\xFF\xD8\xFF and no more".b, cut_short, "<svg xmlns='http://www.w3.org/2000/svg'/>"].each do |bytes|
      send_picture(id, bytes)
      expect(problem(422)["errors"].map { |error| error["pointer"] }).to eq(["/file"])
    end
    send_picture(id, "x" * (MossyAnvil::Server::Routes::Photographs::MOST_BYTES + 1))
    expect(last_response.status).to eq(413)
    send_picture(id, picture, type: "image/svg+xml")
    expect(last_response.status).to eq(415)
    send_picture(id, picture, view: "inside")
    expect(problem(422)["errors"].first["pointer"]).to eq("/view")
    send_picture(id + 999, picture)
    expect(problem(404)["detail"]).to include("no blank")
    ask("PUT", "/api/blanks/#{id}/photographs/77", { view: "other" })
    expect(problem(404)["detail"]).to include("no photograph 77")
    expect(db[:photographs].count).to eq(0)
    stub_const("MossyAnvil::Server::Store::Photographs::MOST_OF_ONE", 1)
    send_picture(id, picture)
    send_picture(id, picture(wide: 30))
    expect(problem(422)["errors"].first["detail"]).to include("at most 1")
  end

  it "cannot be stored as nonsense, whatever the program does" do
    row = { blank_id: id, sha256: "0" * 64, bytes: Sequel.blob("x"), width_px: 1, height_px: 1, view: "other" }
    [
      { view: "inside" },
      { sha256: "no" },
      { width_px: 9000 },
      { mm_per_share: 5 },
      { bytes: Sequel.blob("") }
    ].each { |wrong| expect { db[:photographs].insert(**row, **wrong) }.to raise_error(Sequel::ConstraintViolation) }
  end
end

RSpec.describe "A trace", :server do
  it "comes back in the contract's shape, or with the field that is wrong" do
    outline =
      Array.new(12) do |step|
        [0.5 + (0.3 * Math.cos(step * Math::PI / 6)), 0.4 + (0.3 * Math.sin(step * Math::PI / 6))]
      end
    asked = {
      scale: {
        from: [0.1, 0.1],
        to: [0.6, 0.1],
        mm: 200
      },
      outline: outline,
      length_mm: 60,
      view: "tail_face",
      marks: [{ type: "crack", points: [[0.5, 0.4], [0.6, 0.4]] }]
    }
    ask("POST", "/api/reckon/trace", asked)
    expect(answer_as("Trace")).to include("mm_per_share" => 400.0, "across_mm" => all(be_within(1).of(240)))
    ask("POST", "/api/reckon/trace", asked.merge(outline: outline.first(2)))
    expect(problem(422)["errors"].first).to include("pointer" => "/outline")
    ask("POST", "/api/reckon/trace", asked.merge(marks: [{ type: "void", points: [[0, 0]] }]))
    expect(problem(422)["errors"].map { |error| error["pointer"] }).to include("/marks/0/centre")
  end
end

RSpec.describe MossyAnvil::Server::Services::JpegEnd do
  # A made-up picture, coarse first and fine after where it comes in passes.
  def jpeg(**how)
    noise = Vips::Image.gaussnoise(90, 70, mean: 120, sigma: 60)
    noise.bandjoin([noise.rot180, noise.invert]).cast(:uchar).jpegsave_buffer(strip: true, **how)
  end

  it "finds the end of a picture, whatever was put behind it" do
    [jpeg, jpeg(interlace: true), jpeg(optimize_coding: true, restart_interval: 2)].each do |bytes|
      expect(described_class.of(bytes)).to eq(bytes.bytesize)
      ["x", "\xFF\xD9", "\xFF\xD8\xFF\xD9", jpeg].each do |more|
        expect(described_class.of(bytes + more.b)).to eq(bytes.bytesize)
      end
    end
  end

  it "finds none where a picture breaks off" do
    whole = jpeg
    [2, 3, 20, whole.bytesize - 2, whole.bytesize - 1].each do |size|
      expect(described_class.of(whole.byteslice(0, size))).to be_nil
    end
  end

  it "is where a picture that comes with an archive is cut" do
    picture = jpeg
    bytes = picture + "a payload".b
    kept = MossyAnvil::Server::Services::Picture.kept(bytes, Digest::SHA256.hexdigest(bytes))
    expect(kept.bytes == picture).to be(true)
  end
end
