# frozen_string_literal: true

require "rubygems" # nokogiri asks for it, and a script starts without
require "nokogiri"

module SteadyMove
  module Wire
    module Mail
      # An HTML part as text. A room of its own, so that nothing is loaded for messages that have
      # none.
      module Html
        # text: as people see it, with every link, form target and refresh marked
        # (Core::Post::Marks), a table's cells parted by tabs; long: it says more than is read.
        Shown = Struct.new(:text, :long)
        # Characters and elements of a part that are read.
        MOST = 250_000
        ELEMENTS = 8_000

        # html: UTF-8. Returns Shown. Nothing in it is run or fetched.
        def self.read(html)
          page = Page.new(html[0, MOST])
          Nokogiri::HTML4::SAX::Parser
            .new(page, "UTF-8")
            .parse(Core::Post::Marks.unmarked(html[0, MOST])) { |context| context.recovery = true }
          Shown.new(page.text, page.full? || html.length > MOST)
        end

        # The text alone.
        def self.marked(html) = read(html).text

        # Collects what a page shows.
        class Page < Nokogiri::XML::SAX::Document
          SKIPPED = %w[script style head title template noscript].freeze
          BLOCKS = %w[
            address
            article
            blockquote
            br
            center
            dd
            div
            dl
            dt
            fieldset
            footer
            form
            h1
            h2
            h3
            h4
            h5
            h6
            header
            hr
            li
            ol
            p
            pre
            section
            table
            tr
            ul
          ].freeze
          CELLS = %w[td th].freeze
          # Where an element leads: the attributes that say so.
          TARGETS = {
            "a" => %w[href xlink:href],
            "area" => %w[href],
            "form" => %w[action],
            "button" => %w[formaction],
            "input" => %w[formaction],
            "iframe" => %w[src],
            "base" => %w[href]
          }.freeze
          # What was written earlier: its lines begin as quoted ones do in plain text.
          QUOTING = /quote|original|history|forwarded/i
          LABELS = %w[title aria-label alt value].freeze
          # Where a quotation begins and ends, until the text is whole; no message may hold them.
          QUOTE = "\u{E004}"
          UNQUOTE = "\u{E005}"
          COMMENTED = /(?:href|action)\s*=\s*["']?([^"'\s>]+)/i
          # An element of this name is none: somebody wrote <NAME>.
          NAMED = /\A[\w-]+(?:\.[\w-]+)+\z/

          # html: the whole part.
          def initialize(html)
            super()
            @sight = Sight.new(html)
            @out = +""
            @further = []
            @open = []
            @skipped = @quoting = nil
            @base = nil
            @unclosed = 0 # links whose words have not ended
            @elements = 0
          end

          # Is there more than is read? What follows is passed over.
          def full? = @elements > ELEMENTS || @out.length > Core::Post::Bounds::READ

          def start_element(tag, attributes = [])
            return if full?

            @elements += 1
            said = attributes.to_h
            @open.push(tag)
            @skipped ||= @open.size if SKIPPED.include?(tag)
            @sight.enter(tag, said)
            quote(tag, said)
            refresh(said) if tag == "meta"
            lead(tag, said)
            show(tag, said)
          end

          # What an element hid is shown again behind it.
          def end_element(tag)
            return if full?

            index = @open.rindex(tag) or return
            show_end(tag)
            @open.slice!(index..).each { @sight.leave }
            unquote
            @skipped = nil if @skipped && @open.size < @skipped
          end

          # Blanks of any kind are one.
          def characters(text)
            @out << text.gsub(/[ \t\r\n\u00a0]+/, " ") unless out_of_sight? || full?
          end

          def cdata_block(text) = characters(text)
          # Some readers show what stands in comments made for them.
          def comment(text) = text.scan(COMMENTED) { |url,| @further << mark("", url) }

          # The whole text; links that nobody sees stand at its end.
          def text
            @out << (Core::Post::Marks::CLOSE * @unclosed) if full?
            shown =
              Core::Post::Bounds
                .text(@out.squeeze(" "))
                .gsub(/ ?\t[ \t]*/, "\t")
                .gsub(/[ \t]*\n[ \t]*/, "\n")
                .squeeze("\n")
                .then { |text| quoted(text) }
                .squeeze("\n")
                .strip
            [shown, *(Core::Post::Marks::UNSEEN if @further.any?), *@further.uniq].join("\n")
          end

          private

          def quote(tag, said)
            return if @quoting || %w[body html].include?(tag)

            named = said.values_at("class", "id").compact.any? { |name| name.match?(QUOTING) }
            return unless tag == "blockquote" || named || said["type"].to_s.casecmp?("cite")

            @quoting = @open.size
            @out << "\n#{QUOTE}"
          end

          def unquote
            return unless @quoting && @open.size < @quoting

            @out << "\n#{UNQUOTE}"
            @quoting = nil
          end

          # Lines between the marks of a quotation begin with “>”.
          def quoted(text)
            inside = false
            parts = text.split(/(#{QUOTE}|#{UNQUOTE})/o)
            parts.each_with_object(+"") do |part, out|
              if [QUOTE, UNQUOTE].include?(part)
                inside = part == QUOTE
              else
                out << (inside ? part.gsub(/^(?=.*\S)/, "> ") : part)
              end
            end
          end

          def out_of_sight? = !@skipped.nil? || @sight.hidden?

          def refresh(said)
            url = said["content"].to_s[/url\s*=\s*['"]?([^'"\s]+)/i, 1]
            @further << mark("", url) if url && said["http-equiv"].to_s.casecmp?("refresh")
          end

          def lead(tag, said)
            url = TARGETS.fetch(tag, []).filter_map { |key| said[key] }.first or return
            return @base = url.tap { @further << mark("", url) } if tag == "base"

            url = resolved(url)
            return if url.nil?
            return @further << mark("", url) if out_of_sight? || tag != "a"

            @unclosed += 1
            @out << Core::Post::Marks.opening(url)
          end

          # Relative addresses lead nowhere unless the page says from where.
          def resolved(url)
            text = url.gsub(/[\t\r\n]/, "").gsub(/\A[[:cntrl:] ]+/, "") # as browsers do
            return if text.empty? || text.start_with?("#", "cid:")
            return url.strip if text.match?(%r{\A(?:[a-z][a-z0-9+.-]*:|[/\\]{2}|www\.)}i)

            "#{@base.chomp("/")}/#{text.delete_prefix("/")}" if @base
          end

          def show(tag, said)
            return if out_of_sight?

            @out << "\n" if BLOCKS.include?(tag)
            @out << "<#{tag}>" if tag.match?(NAMED)
            if %w[img input a button area].include?(tag) && said["type"] != "hidden"
              @out << " #{said.values_at(*LABELS).compact.join(" ")} "
            end
          end

          def show_end(tag)
            return if out_of_sight?

            if tag == "a" && @unclosed.positive? && (@unclosed -= 1)
              @out << Core::Post::Marks::CLOSE
            end

            @out << "\n" if BLOCKS.include?(tag)
            @out << "\t" if CELLS.include?(tag)
          end

          def mark(words, url) = Core::Post::Marks.mark(words, url)
        end
      end
    end
  end
end
