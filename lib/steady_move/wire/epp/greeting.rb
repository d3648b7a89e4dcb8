# frozen_string_literal: true

module SteadyMove
  module Wire
    module Epp
      # A server's first answer (RFC 5730 §2.4). objects, extensions: namespaces that it serves;
      # version: of EPP.
      Greeting =
        Struct.new(:server, :objects, :extensions, keyword_init: true) do
          # Raises Malformed where it is no greeting, or one of another version of EPP.
          def self.parse(text)
            doc = Xml.parse(text)
            greeting = doc.at_xpath("/e:epp/e:greeting", Xml::NS) or
              raise Malformed, "the EPP server's first answer is not a greeting"
            menu = greeting.at_xpath("e:svcMenu", Xml::NS) or
              raise Malformed, "the EPP greeting names no services"
            versions = Xml.texts(menu, "e:version").map(&:strip)
            unless versions.empty? || versions.include?("1.0")
              raise Malformed,
                    "the EPP server speaks version #{versions.join(", ")}; 1.0 is expected"
            end

            new(
              server: Xml.text(greeting, "e:svID"),
              objects: Xml.texts(menu, "e:objURI").map(&:strip),
              extensions: Xml.texts(menu, "e:svcExtension/e:extURI").map(&:strip)
            )
          end
        end
    end
  end
end
