# frozen_string_literal: true

module SteadyMove
  module Wire
    module Mail
      # The body of a message, from its parts: what its writer says, in one form and in the other,
      # and what merely comes along.
      class Body
        # marked: the text that people read, with its links marked; further: what the message says
        # beside it in another form; beside: text of forwarded messages and of files, which nothing
        # may follow from; long: it says more than is read.
        Texts = Struct.new(:marked, :further, :beside, :long, keyword_init: true)
        # A plain part that only says where to read the rest.
        POINTER = /\bHTML\b|\bbrowser\b|\bwebmail\b/i
        # Files that hold text.
        TEXT_FILE = /\.(?:txt|csv|tsv|html?|eml|md)\z/i
        WEB_PAGE = /\.html?\z/i
        FORWARDED = "message/rfc822"
        # Pages of one message that are read.
        PAGES = 3
        # Messages within one another that are read.
        DEEPEST = 3

        # root: Parsed::Part; depth: of the message within others. Returns Texts.
        def self.of(root, depth: 0) = new(root, depth).texts

        def initialize(root, depth)
          @depth = depth
          @plain = []
          @html = []
          @beside = []
          walk(root)
        end

        # Returns Texts.
        def texts
          plain, long = beginning(@plain.join("\n"))
          pages = @html.first(PAGES).map { |t| Html.read(t) }
          html = pages.map(&:text).join("\n")
          plain = Core::Post::Marks.unmarked(plain)
          marked, further = (rich?(plain, html) ? [html, plain] : [plain, html])
          Texts.new(
            marked: Core::Post::Bounds.text(marked),
            further: Core::Post::Bounds.text(further),
            beside: Core::Post::Bounds.text(beginning(@beside.join("\n\n")).first),
            long: long || pages.any?(&:long) || @html.size > PAGES
          )
        end

        private

        def beginning(text) = Core::Post::Bounds.beginning(text)

        def rich?(plain, html)
          !html.strip.empty? && poor?(plain, Core::Post::Marks.shown(html))
        end

        def poor?(plain, html)
          told = plain.strip.length
          told < html.length * 0.4 || (plain.match?(POINTER) && told < html.length)
        end

        def walk(part)
          return part.parts.each { |p| walk(p) } if part.parts.any?
          return forwarded(part) if part.type == FORWARDED
          return file(part) unless inline?(part)

          text = text_of(part)
          return if text.strip.empty?

          (part.type == "text/html" ? @html : @plain) << text
        end

        # Is it part of what the message says? A text with a file's name is, unless it was attached
        # (RFC 2183 §2.1).
        def inline?(part)
          part.disposition != "attachment" && ["", "text/plain", "text/html"].include?(part.type)
        end

        def text_of(part)
          return part.text.to_s unless part.flowed

          Text.unflowed(part.text.to_s, delsp: part.flowed == :delsp)
        end

        # A message within: only to be read.
        def forwarded(part)
          return if @depth >= DEEPEST

          whole = Parsed.read(part.octets)
          within = Body.of(whole.root, depth: @depth + 1)
          @beside.push(whole.subject, Core::Post::Marks.shown(within.marked), within.beside)
        rescue Malformed
          nil
        end

        def file(part)
          name = part.name.to_s
          return forwarded(part) if name.match?(/\.eml\z/i)
          return unless name.match?(TEXT_FILE) || part.type.start_with?("text/")

          text = Text.clean(part.octets)
          page = part.type == "text/html" || name.match?(WEB_PAGE)
          @beside << (page ? Core::Post::Marks.shown(Html.marked(text)) : text)
        end
      end
    end
  end
end
