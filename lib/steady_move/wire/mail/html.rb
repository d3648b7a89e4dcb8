# frozen_string_literal: true

require "rubygems" # nokogiri asks for it, and a script starts without
require "nokogiri"

module SteadyMove
  module Wire
    module Mail
      # An HTML part as text. A room of its own, so that nothing is loaded for messages that have none.
      module Html
        SKIPPED = "script, style, head, title, template, noscript"

        # html: UTF-8. Returns its text with the tags taken off; links keep their address behind their words. Nothing
        # in it is run or fetched.
        def self.text(html)
          doc = Nokogiri::HTML(html, nil, "UTF-8") { |c| c.nonet.recover.huge }
          doc.css(SKIPPED).remove
          doc.css("a[href^=http]").each { |a| a.add_next_sibling(" #{a['href']} ") unless a.text.include?(a["href"]) }
          doc.css("br, p, div, tr, li, h1, h2, h3").each { |n| n.add_next_sibling("\n") }
          doc.text.gsub(/[ \t\u00a0]+/, " ").gsub(/ ?\n ?/, "\n").squeeze("\n").strip
        end
      end
    end
  end
end
