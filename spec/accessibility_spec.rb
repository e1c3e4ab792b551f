# frozen_string_literal: true

require_relative "browser_helper"

# Every main view by the rules of axe-core: contrast, names, roles, order.
RSpec.describe "Access to the screens", :browser do
  axe = File.join(MossyAnvil::Server::ROOT, "web/node_modules/axe-core/axe.min.js")

  # only: rules to look for; all of them unsaid. What depends on the light is contrast alone.
  def violations(axe, only)
    page.execute_script(File.read(axe)) unless page.evaluate_script("'axe' in window")
    found = page.evaluate_async_script(<<~JS, only)
      const [only, done] = arguments;
      axe.run(document, { resultTypes: ["violations"], ...(only && { runOnly: only }) }).then(({ violations }) =>
        done(violations.map(({ id, nodes }) => [id, nodes.map(({ target, failureSummary }) => [target.join(" "), failureSummary.split("\\n").slice(1, 2).join("")])])));
    JS
    found.map { |rule, nodes| "#{rule}: #{nodes.first(4).map { |node| node.join(" ") }.join("; ")}" }
  end

  stations = { "route" => 39, "survey" => 31, "form" => 33, "mend" => 39, "turn" => 33, "finish" => 32, "log" => 32 }

  # Day and night in one visit; what depends on the light is contrast alone.
  def in_both_lights(axe)
    found = violations(axe, nil)
    page.execute_script("document.documentElement.dataset.light = 'night'")
    found.concat(violations(axe, ["color-contrast"]))
    page.execute_script("document.documentElement.dataset.light = 'day'")
    found
  end

  stations.each do |station, number|
    it "breaks no rule at #{station}, by day and by night" do
      visit "/blanks/#{db[:blanks].where(number: number).get(:id)}/#{station}"
      expect(page).to have_css("[data-skin]")
      sleep 1
      found = in_both_lights(axe)
      # Finish and log have none.
      sections = all("[aria-label=Sections] [role=tab]", wait: 0).drop(1)
      sections.each { |section| section.click && found.concat(in_both_lights(axe)) }
      expect(found).to be_empty, found.join("\n")
    end
  end

  it "breaks no rule in the rooms, by day and by night" do
    found =
      %w[board stores shop ledger practice new pair].flat_map do |room|
        visit "/#{room}"
        expect(page).to have_css("main h1, main h2, main h3", match: :first)
        in_both_lights(axe).map { |one| "#{room}: #{one}" }
      end
    expect(found).to be_empty, found.join("\n")
  end
end
