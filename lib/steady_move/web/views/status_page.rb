# frozen_string_literal: true

require "erb"

module SteadyMove
  module Web
    module Views
      # How a move or a batch stands, as a page for somebody without an account here.
      class StatusPage
        TEMPLATE = ERB.new(<<~HTML, trim_mode: "-")
          <!doctype html>
          <html lang="en">
          <head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title><%= h title %></title>
          <link rel="stylesheet" href="/report.css"></head>
          <body><main><h1><%= h title %></h1>
          <% text.each do |line| -%>
          <p><%= plain(line) %></p>
          <% end -%>
          <p class="foot"><%= plain(foot) %></p></main></body></html>
        HTML

        # title, text: as Desk::Automation::StatusPages has them. Returns HTML.
        def self.page(title, text, now:)
          new(
            Words.say(:"status.page_title", title: title),
            text,
            Words.say(:"status.as_of", at: now)
          ).page
        end

        attr_reader :title, :text, :foot

        def initialize(title, text, foot)
          @title = title
          @text = text
          @foot = foot
        end

        def page = TEMPLATE.result(binding)

        private

        def h(text) = ERB::Util.html_escape(text.to_s)
        def plain(text) = h(Words.plain(text))
      end
    end
  end
end
