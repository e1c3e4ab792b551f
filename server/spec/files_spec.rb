# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "Blank files", :server do
  let(:type) { MossyAnvil::Server::Services::BlankExport::BLANK_TYPE }
  let(:file) { File.read(Dir[File.join(MossyAnvil::Server::Services::Demo::FOLDER, "33-*.anvil.json")].first) }

  it "go in as they are and come out as they went in, under a name of their own" do
    ask("POST", "/api/blanks/import", file, type: type)
    expect(last_response.status).to eq(201)
    ask("GET", "/api/blanks/#{answer_as("KeptBlank")["id"]}/export")
    expect(last_response.headers).to include(
      "content-type" => type,
      "content-disposition" => 'attachment; filename="33-lamp-base.anvil.json"'
    )
    expect(last_response.body).to eq(MossyAnvil::Formats::BlankFile.write(JSON.parse(file)))
  end

  it "come out as a table and as a drawing too, and as nothing else" do
    ask("POST", "/api/blanks/import", file, type: type)
    {
      "csv" => ["text/csv", /\Aid,type,group,found_on,chosen,point/],
      "svg" => ["image/svg+xml", /\A<svg/]
    }.each do |format, (media, start)|
      ask("GET", "/api/blanks/#{db[:blanks].get(:id)}/export?as=#{format}")
      expect(last_response.headers).to include(
        "content-type" => start_with(media),
        "content-disposition" => "attachment; filename=\"33-lamp-base.#{format}\""
      )
      expect(last_response.body).to match(start)
    end
    ask("GET", "/api/blanks/#{db[:blanks].get(:id)}/export?as=paper")
    problem(404)
  end

  it "whose number is taken are refused, or get the next one if asked" do
    ask("POST", "/api/blanks/import", file, type: type)
    ask("POST", "/api/blanks/import", file, type: type)
    expect(problem(409)["errors"].first["pointer"]).to eq("/document/number")
    ask("POST", "/api/blanks/import?number=next", file, type: type)
    expect(answer_as("KeptBlank")["document"]["number"]).to eq(34)
  end

  {
    "no JSON" => ["{", "", 422],
    "a list" => ["[]", "", 422],
    "a fault in a field" => ['{"format":"mossy-anvil/blank","version":99}', "/version", 422],
    "broken UTF-8" => ["\xff", "", 422],
    "an infinite number" => ['{"number":1e400}', "/number", 422],
    "far too much" => ["x" * 2_000_001, nil, 413]
  }.each do |name, (text, pointer, status)|
    it "that hold #{name} are refused with the place, and nothing is kept" do
      ask("POST", "/api/blanks/import", text, type: type)
      found = problem(status)
      expect(found["errors"].map { |error| error["pointer"] }).to include(a_string_starting_with(pointer)) if pointer
      expect(db[:blanks].count).to eq(0)
    end
  end

  it "are not what a form or a picture is" do
    ask("POST", "/api/blanks/import", file, type: "text/plain")
    expect(problem(415)["detail"]).to include("vnd.mossy-anvil.blank+json")
    ask("GET", "/api/blanks/5/export")
    problem(404)
  end

  it "of ten thousand defects, or nested without end, are refused at once" do
    many = JSON.parse(file).merge("defects" => Array.new(10_000) { |index| crack(id: "c#{index}") })
    ask("POST", "/api/blanks/import", JSON.generate(many), type: type)
    expect(problem(422)["errors"].first).to eq(
      "pointer" => "/defects",
      "detail" => "is a list of 10000: at most 200 entries"
    )
    ask("POST", "/api/blanks/import", "{\"a\":" * 400, type: type)
    expect(problem(422)["errors"].first["detail"]).to include("nested too deep")
  end
end
