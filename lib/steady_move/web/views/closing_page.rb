# frozen_string_literal: true

require "erb"

module SteadyMove
  module Web
    module Views
      # A closing report to print.
      class ClosingPage
        TEMPLATE = ERB.new(<<~HTML, trim_mode: "-")
          <!doctype html>
          <html lang="en">
          <head><meta charset="utf-8"><title><%= h @text.title %></title>
          <link rel="stylesheet" href="/report.css"></head>
          <body><h1><%= h @text.title %></h1><p><small><%= h @text.lead %></small></p>
          <% @text.parts.each do |heading, lines| -%>
          <section><% if heading %><h2><%= h heading %></h2><% end %>
          <% lines.each do |line| -%>
          <p><%= h line %></p>
          <% end -%>
          </section>
          <% end -%>
          </body></html>
        HTML

        # text: Desk::Closing::ClosingText::Text. Returns HTML.
        def self.page(text) = new(text).page

        def initialize(text)
          @text = text
        end

        def page = TEMPLATE.result(binding)

        private

        def h(text) = ERB::Util.html_escape(Words.plain(text.to_s))
      end
    end
  end
end
