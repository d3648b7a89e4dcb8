# frozen_string_literal: true

require "cgi/escape"

module Practice
  module Counters
    # The counters' plain HTML.
    module Page
      STYLE =
        "body{font:16px/1.5 serif;max-width:46rem;margin:1rem auto;padding:0 " \
          "1rem;background:#fffef6;color:#222}table{border-collapse:collapse;width:100%}" \
          "textarea{width:100%;font:inherit}" \
          "td,th{border:1px solid #999;padding:.3rem .5rem;text-align:left}form{margin:.5rem " \
          "0}input{font:inherit;padding:.15rem}button{font:inherit;padding:.15rem " \
          ".6rem}code{overflow-wrap:anywhere}"

      module_function

      def h(text) = CGI.escapeHTML(text.to_s)

      def whole(title, body)
        "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><meta name=\"viewport\" " \
          "content=\"width=device-width\"><title>#{h(title)}</title><style>#{STYLE}</style>" \
          "<h1>#{h(title)}</h1><p><em>A counter of the practice world; nothing here is " \
          "real.</em></p>#{body}</html>"
      end

      def sign_in(place, wrong = nil)
        "#{"<p role=\"alert\">#{h(wrong)}</p>" if wrong}<form method=\"post\" " \
          "action=\"/counter/#{h(place)}/sign-in\"><p><label>Name <input name=\"login\" " \
          "autocomplete=\"username\" " \
          "required></label></p>" \
          "<p><label>Password <input name=\"password\" type=\"password\" " \
          "autocomplete=\"current-password\" " \
          "required></label></p><button>Enter</button></form>"
      end

      def release(path, name)
        "<p>Somebody asked to transfer <code>#{h(name)}</code> away. Do you approve?</p><form " \
          "method=\"post\" " \
          "action=\"#{h(path)}\"><button>Yes, approve the transfer</button></form>"
      end

      def confirm(path, name)
        "<p>The transfer of <code>#{h(name)}</code> to us was ordered. Do you confirm " \
          "it?</p><form method=\"post\" " \
          "action=\"#{h(path)}\"><button>Yes, confirm the order</button></form>"
      end

      def names(place, rows)
        cells =
          rows.map do |name, what|
            "<tr><td><a href=\"/counter/#{h(place)}/#{h(name)}\">#{h(name)}</a></td><td>#{h(what)}</td></tr>"
          end
        "<table><tr><th>Name</th><th>State</th></tr>#{cells.join}</table>"
      end

      # fields: {name => label}; a label that ends with a question mark is one to tick.
      # long: names of fields that take several lines.
      def form(action, button, fields = {}, long = [])
        inputs =
          fields.map do |name, label|
            if long.include?(name)
              next(
                "<p><label>#{h(label)}<br><textarea name=\"#{name}\" " \
                  "rows=\"5\"></textarea></label></p>"
              )
            end

            tick = label.end_with?("?") && name == "opted_out"
            "<label>#{h(label)} <input name=\"#{name}\" " \
              "#{tick ? 'type="checkbox" value="yes"' : 'size="36"'}></label> "
          end
        "<form method=\"post\" action=\"#{h(action)}\">#{inputs.join}<button>#{h(button)}</button" \
          "></form>"
      end
    end
  end
end
