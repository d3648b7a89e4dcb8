# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Which of the held names a pasted text means: a list with any separators, names in any
      # spelling, hosts below them, URLs.
      module Picking
        # names: [A-label text], each once, in the text's order; unknown: words that name nothing
        # that is held.
        Picked = Struct.new(:names, :unknown, keyword_init: true)
        BETWEEN = /[\s,;|"'<>()\[\]]+/
        # So many words are looked at.
        MOST = 20_000

        module_function

        # text: as it was pasted. Returns Picked.
        def call(ports, text)
          ports = Ports.of(ports)
          words = text.split(BETWEEN).reject(&:empty?).first(MOST).uniq
          found = words.to_h { |word| [word, held(ports, word)] }
          Picked.new(
            names: found.values.compact.uniq,
            unknown: found.select { |_, name| name.nil? }.keys
          )
        end

        # The held name that a word is, or lies below.
        def held(ports, word)
          ascii = Core::Names::HostName.ascii(SpokenName.host(word.downcase)) or return
          labels = ascii.split(".")
          parents = (0..(labels.size - 2)).map { |n| labels.drop(n).join(".") }
          parents.find { |name| ports.names.find(name) }
        end
        private_class_method :held
      end
    end
  end
end
