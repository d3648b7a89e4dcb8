# frozen_string_literal: true

module SteadyMove
  module Wire
    module Epp
      # Reads <resData>.
      module ResponseData
        module_function

        # response: Nokogiri node. Returns the data that its kind of object has, or nil where there
        # is none.
        def read(response)
          data = response.at_xpath("e:resData/*", Xml::NS) or return
          case data.name
          when "infData"
            inform(data, response)
          when "trnData"
            transfer(data) if of?(data, Xml::DOMAIN)
          when "chkData"
            data
              .xpath("d:cd/d:name", Xml::NS)
              .to_h { |n| [n.text, %w[1 true].include?(n["avail"])] }
          end
        end

        # Kinds of objects are told apart by their namespace alone; another's data is nobody's here.
        def inform(data, response)
          return contact(data) if of?(data, Xml::CONTACT)

          info(data, response) if of?(data, Xml::DOMAIN)
        end

        def of?(data, namespace) = data.namespace&.href == namespace

        # A domain (RFC 5731 §3.1.2), with the grace statuses and the delegation's state where the
        # server tells them in an extension (RFC 3915 §3.1, RFC 5910 §5.1.2).
        def info(data, response = data)
          grace =
            response
              .xpath("e:extension/rgp:infData/rgp:rgpStatus", Xml::NS)
              .filter_map { |s| s["s"] }
          keys =
            response.xpath(
              "e:extension/secDNS:infData/secDNS:dsData | " \
                "e:extension/secDNS:infData/secDNS:keyData",
              Xml::NS
            )
          DomainInfo.new(
            name: Xml.text(data, "d:name"),
            roid: Xml.text(data, "d:roid"),
            statuses: (data.xpath("d:status", Xml::NS).filter_map { |s| s["s"] } + grace).uniq,
            signed: keys.any? || nil,
            name_servers:
              Xml.texts(data, "d:ns/d:hostObj | d:ns/d:hostAttr/d:hostName").map(&:downcase),
            sponsor: Xml.text(data, "d:clID"),
            created_at: Xml.time(Xml.text(data, "d:crDate")),
            updated_at: Xml.time(Xml.text(data, "d:upDate")),
            expires_at: Xml.time(Xml.text(data, "d:exDate")),
            transferred_at: Xml.time(Xml.text(data, "d:trDate")),
            auth_info: Xml.text(data, "d:authInfo/d:pw"),
            registrant: Xml.text(data, "d:registrant"),
            admin: Xml.text(data, "d:contact[@type='admin']")
          )
        end

        # A contact (RFC 5733 §3.1.2).
        def contact(data)
          ContactInfo.new(
            id: Xml.text(data, "c:id"),
            name: Xml.text(data, "c:postalInfo/c:name"),
            organization: Xml.text(data, "c:postalInfo/c:org"),
            street: streets(data),
            city: Xml.text(data, "c:postalInfo/c:addr/c:city"),
            country: Xml.text(data, "c:postalInfo/c:addr/c:cc"),
            voice: Xml.text(data, "c:voice"),
            email: Xml.text(data, "c:email"),
            created_at: Xml.time(Xml.text(data, "c:crDate")),
            changed_at: Xml.time(Xml.text(data, "c:upDate"))
          )
        end

        # All lines of the first postal address that has any.
        def streets(data)
          address =
            data
              .xpath("c:postalInfo/c:addr", Xml::NS)
              .find { |a| a.at_xpath("c:street", Xml::NS) } or return
          Xml.texts(address, "c:street").map(&:strip).reject(&:empty?).join("\n")
        end

        # A transfer (RFC 5731 §3.1.3).
        def transfer(data)
          TransferInfo.new(
            name: Xml.text(data, "d:name"),
            status: Xml.text(data, "d:trStatus"),
            requested_by: Xml.text(data, "d:reID"),
            requested_at: Xml.time(Xml.text(data, "d:reDate")),
            acts: Xml.text(data, "d:acID"),
            act_at: Xml.time(Xml.text(data, "d:acDate")),
            expires_at: Xml.time(Xml.text(data, "d:exDate"))
          )
        end
      end
    end
  end
end
